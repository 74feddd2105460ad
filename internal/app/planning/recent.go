package planning

import (
	"context"
	"reflect"
	"slices"
	"sync"
	"time"

	"github.com/google/uuid"

	"evrik/internal/store/gen"
)

// keptFor is how long a team's context is used again while a plan is being drawn: a drag must
// not read the log again (assumption).
const keptFor = 30 * time.Second

// mostKept is how many teams' contexts a process keeps.
const mostKept = 32

// recentContexts keeps the contexts that were gathered last. They can be gathered again.
type recentContexts struct {
	mu   sync.Mutex
	kept map[uuid.UUID]Context
}

// recently is a team's context of a moment ago, where the team has not changed since and
// everybody whom a draft names is in it; else it is gathered anew.
func (s *Service) recently(ctx context.Context, team gen.Team, d Draft) (Context, error) {
	s.recent.mu.Lock()
	c, ok := s.recent.kept[team.ID]
	s.recent.mu.Unlock()
	age := s.Now().Sub(c.Now)
	if ok && age >= 0 && age < keptFor && reflect.DeepEqual(c.Team, team) &&
		!slices.ContainsFunc(d.Present, func(id uuid.UUID) bool { return !c.Has(id) }) {
		return c, nil
	}
	return s.Context(ctx, team)
}

// remember keeps a context for recently.
func (s *Service) remember(c Context) {
	s.recent.mu.Lock()
	defer s.recent.mu.Unlock()
	if s.recent.kept == nil || len(s.recent.kept) >= mostKept {
		s.recent.kept = map[uuid.UUID]Context{}
	}
	s.recent.kept[c.Team.ID] = c
}
