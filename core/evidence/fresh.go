package evidence

import "time"

// Fresh is how long a read that has just been settled is taken to keep (assumption): the
// belief of somebody who was just about sure is back below the line by then.
func (p Policy) Fresh() time.Duration { return freshDays * 24 * time.Hour }

const freshDays = 16
