-- Kept pieces that a plan takes in: they leave their lot when the batch begins, and come back with it when it is given up.
alter table kept_uses add column for_batch uuid references batches (id) on delete set null;
create index kept_uses_for_batch on kept_uses (for_batch) where for_batch is not null;
