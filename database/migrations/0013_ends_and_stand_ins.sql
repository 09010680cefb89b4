-- Two ends of one base may be of another kind and school; stand-ins are undone one by one; a portion stays as it was said.
alter table batches
  -- the school it is made as, where that is not the version's
  add column school text,
  -- what stands in, in the order it was put in; a batch whose stand-ins are older has none here, and undoes them together
  add column stand_ins jsonb not null default '[]',
  -- "1/3 cup", where the portion was said so
  add column portion_said text,
  -- batches begun together for one headcount share it
  add column headcount uuid;
create index batches_headcount on batches (headcount) where headcount is not null;
-- of two ends, the one a piece was poured as
alter table batch_taps add column end_id text check (end_id in ('a', 'b'));
