-- How a batch is made, as house and formula had it when it was begun: the ways, what is done otherwise act by act, and what of it the card tells.
-- null: a batch of before, which reads its version's ways and the house's as they are.
alter table batches add column making jsonb;
