package quizzes

import (
	"context"

	"github.com/google/uuid"

	"evrik/internal/app"
	"evrik/internal/app/rosters"
	"evrik/internal/store/gen"
)

// linkHash is what is stored of a link's key, under the word that links were first given out with.
func linkHash(key string) []byte { return app.SecretHash("trainer", key) }

// ByLink finds whose a link is, or refuses with app.Missing. Guesses are counted for the network place like sign-ins,
// but apart from them: a player who opens an ended link in the gym must not keep the coach out.
func (s Service) ByLink(ctx context.Context, key, place string) (l Learner, err error) {
	err = s.Tries.Guess(ctx, "quiz", place, func() error {
		row, err := s.Store.PlayerByLink(ctx, linkHash(key))
		if err != nil {
			return err
		}
		team, err := s.Store.Team(ctx, gen.TeamParams{ProgramID: row.ProgramID, ID: row.TeamID})
		if err != nil {
			return err
		}
		l, err = s.learner(ctx, team, row.PlayerID)
		return err
	})
	return l, app.OrMissing(err, "quiz.link-dead")
}

// Links tells who on a team has a link.
func (s Service) Links(ctx context.Context, team gen.Team) ([]gen.PlayerLinksOfTeamRow, error) {
	return s.Store.PlayerLinksOfTeam(ctx, gen.PlayerLinksOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
}

// NewLink is a player's link, which is told once.
type NewLink struct {
	Player uuid.UUID
	Path   string
}

// NewLinks makes the links of some of a team's players, which end those before; all or none. It refuses with
// app.Missing a player who is not on the team.
func (s Service) NewLinks(ctx context.Context, team gen.Team, players ...uuid.UUID) (out []NewLink, err error) {
	for _, player := range players {
		if err := s.onTeam(ctx, team, player); err != nil {
			return nil, err
		}
	}
	err = s.Store.Tx(ctx, func(q *gen.Queries) error {
		out = nil
		for _, player := range players {
			key, err := app.SecretKey()
			if err != nil {
				return err
			}
			if err := q.SetPlayerLink(ctx, gen.SetPlayerLinkParams{ProgramID: team.ProgramID, PlayerID: player,
				KeyHash: linkHash(key), MadeAt: s.Now()}); err != nil {
				return err
			}
			out = append(out, NewLink{player, "/quiz/" + key})
		}
		return nil
	})
	return out, err
}

// onTeam refuses with app.Missing a player who is not on a team.
func (s Service) onTeam(ctx context.Context, team gen.Team, player uuid.UUID) error {
	_, err := rosters.Service{Store: s.Store}.Player(ctx, team, player)
	return err
}

// EndLink ends a player's link; the answers stay. It refuses with app.Missing where there is none.
func (s Service) EndLink(ctx context.Context, team gen.Team, player uuid.UUID) error {
	if err := s.onTeam(ctx, team, player); err != nil {
		return err
	}
	now := s.Now()
	n, err := s.Store.EndPlayerLink(ctx, gen.EndPlayerLinkParams{ProgramID: team.ProgramID, PlayerID: player,
		EndedAt: &now})
	return app.Changed(n, err, "link.missing")
}

// RestoreLink brings back the link that was ended or replaced last. It refuses with app.Conflict where there was none.
func (s Service) RestoreLink(ctx context.Context, team gen.Team, player uuid.UUID) error {
	if err := s.onTeam(ctx, team, player); err != nil {
		return err
	}
	n, err := s.Store.RestorePlayerLink(ctx, gen.RestorePlayerLinkParams{ProgramID: team.ProgramID, PlayerID: player})
	if err == nil && n == 0 {
		err = app.Refuse(app.Conflict, "link.none-earlier")
	}
	return err
}
