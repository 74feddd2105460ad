-- +goose Up

-- One word for one thing: a second device in the gym is a display, what two or three players do
-- together is an action, and the floor has baskets.
ALTER TABLE screens RENAME TO displays;
ALTER INDEX screens_practice RENAME TO displays_practice;
ALTER TABLE quiz_answers RENAME COLUMN screen TO action;
ALTER TABLE rounds RENAME COLUMN situation TO action;
ALTER TABLE blocks RENAME COLUMN floor_end TO basket;

-- +goose Down
ALTER TABLE blocks RENAME COLUMN basket TO floor_end;
ALTER TABLE rounds RENAME COLUMN action TO situation;
ALTER TABLE quiz_answers RENAME COLUMN action TO screen;
ALTER INDEX displays_practice RENAME TO screens_practice;
ALTER TABLE displays RENAME TO screens;
