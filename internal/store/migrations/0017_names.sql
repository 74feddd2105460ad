-- +goose Up
-- Two drills and a motion offense have new ids. What is stored goes along.
ALTER TABLE rep_events DISABLE TRIGGER rep_events_final; -- a name, not what was seen
UPDATE blocks SET drill = 'threes-screen-away' WHERE drill = 'wing-wing-middle';
UPDATE blocks SET drill = 'finish-both-sides' WHERE drill = 'layup-progression';
UPDATE rep_events SET drill = 'threes-screen-away' WHERE drill = 'wing-wing-middle';
UPDATE rep_events SET drill = 'finish-both-sides' WHERE drill = 'layup-progression';
UPDATE teams SET offense = jsonb_set(offense, '{base}', '"cut-and-lift"') WHERE offense ->> 'base' = 'circle';
ALTER TABLE rep_events ENABLE TRIGGER rep_events_final;

-- +goose Down
ALTER TABLE rep_events DISABLE TRIGGER rep_events_final; -- a name, not what was seen
UPDATE blocks SET drill = 'wing-wing-middle' WHERE drill = 'threes-screen-away';
UPDATE blocks SET drill = 'layup-progression' WHERE drill = 'finish-both-sides';
UPDATE rep_events SET drill = 'wing-wing-middle' WHERE drill = 'threes-screen-away';
UPDATE rep_events SET drill = 'layup-progression' WHERE drill = 'finish-both-sides';
UPDATE teams SET offense = jsonb_set(offense, '{base}', '"circle"') WHERE offense ->> 'base' = 'cut-and-lift';
ALTER TABLE rep_events ENABLE TRIGGER rep_events_final;
