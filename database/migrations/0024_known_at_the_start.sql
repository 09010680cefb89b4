-- Allergens of a batch's ingredients as they were known when it was begun, by ingredient: what the pantry corrects later is told beside it.
-- null: a batch of before, of which nothing was kept.
alter table batches add column known jsonb;
