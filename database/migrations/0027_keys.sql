-- Every key to another row has an index: what is looked up, and what is taken away, reads no whole table.
create index batch_told_by_batch on batch_told (batch_id);
create index care_notes_by_batch on care_notes (batch_id);
create index formulas_by_source on formulas (copied_from) where copied_from is not null;
create index plans_by_version on plans (version_id);
create index plans_by_batch on plans (batch_id) where batch_id is not null;
create index premix_editions_by_version on premix_editions (version_id);
create index premixes_by_version on premixes (version_id);

-- The best batch of a formula is a batch; whole kitchens are laid in table by table, so it is held at the end.
update formulas f set best_batch_id = null where best_batch_id is not null and not exists (select 1 from batches b where b.id = f.best_batch_id);
alter table formulas
  add constraint formulas_best_batch_id_fkey foreign key (best_batch_id) references batches (id) on delete set null deferrable initially deferred;
create index formulas_by_best on formulas (best_batch_id) where best_batch_id is not null;
