-- What a choice rests on, as a short text: another one once a survey, a wish or the stock book is otherwise. Unknown for older choices.
ALTER TABLE house_choice ADD COLUMN rests_on VARCHAR(40);
