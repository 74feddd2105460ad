-- +goose Up

-- One word for one thing: players have links, and answer the read quiz.
ALTER TABLE trainer_links RENAME TO player_links;
ALTER TABLE trainer_answers RENAME TO quiz_answers;
ALTER INDEX trainer_answers_player RENAME TO quiz_answers_player;

-- +goose Down
ALTER INDEX quiz_answers_player RENAME TO trainer_answers_player;
ALTER TABLE quiz_answers RENAME TO trainer_answers;
ALTER TABLE player_links RENAME TO trainer_links;
