package court

// Lines is what is painted on a half court, in feet in the court's frame, for
// whoever draws it.
type Lines struct {
	HalfWidth    float64 `json:"halfWidth"`
	BaselineY    float64 `json:"baselineY"`
	HalfY        float64 `json:"halfY"`
	BoardY       float64 `json:"boardY"`
	RingRadius   float64 `json:"ringRadius"`
	LaneHalf     float64 `json:"laneHalf"`
	FreeThrowY   float64 `json:"freeThrowY"`
	CircleRadius float64 `json:"circleRadius"`
	ArcRadius    float64 `json:"arcRadius"`
	ArcStraightX float64 `json:"arcStraightX"`
	ArcMeetsY    float64 `json:"arcMeetsY"`
}

// Lines returns the court's paint.
func (c Court) Lines() Lines {
	return Lines{
		HalfWidth: c.Width / 2, BaselineY: c.BaselineY(), HalfY: c.HalfY(), BoardY: c.BoardY(),
		RingRadius: RingRadius, LaneHalf: c.LaneWidth / 2, FreeThrowY: c.FreeThrowY(), CircleRadius: CircleRadius,
		ArcRadius: c.ArcRadius, ArcStraightX: c.ArcStraightX(), ArcMeetsY: c.ArcMeetsY(),
	}
}
