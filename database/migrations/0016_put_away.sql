-- A formula can be copied, put away and brought back, or deleted and brought back; its batches stay in the log whatever becomes of it.
alter table formulas
  add column archived_at timestamptz,
  add column deleted_at timestamptz,
  -- what it is a copy of: its history begins there
  add column copied_from uuid references formula_versions (id);
create index formulas_away on formulas (used_at desc, id desc) where archived_at is not null or deleted_at is not null;
-- A batch can be given up, or ended without an outcome: neither says anything of how the formula came out.
create or replace function formula_made() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' and new.verdict is not distinct from old.verdict and new.finished_at is not distinct from old.finished_at then return new; end if;
  update formulas f set
    used_at = greatest(f.used_at, new.started_at),
    last_verdict = (select b.verdict from batches b where b.formula_id = f.id and b.finished_at is not null and b.verdict is not null order by b.finished_at desc limit 1),
    best_batch_id = (select b.id from batches b where b.formula_id = f.id and b.verdict is not null order by verdict_rank(b.verdict), b.finished_at desc limit 1)
   where f.id = new.formula_id;
  return new;
end $$;
update formulas f set
  last_verdict = (select b.verdict from batches b where b.formula_id = f.id and b.finished_at is not null and b.verdict is not null order by b.finished_at desc limit 1)
 where last_verdict is null;
-- a count that was taken back stays in the list
alter table stock_counts add column undone_at timestamptz;
-- what a batch that was given up gave back, to be taken again if it is taken up: g by ingredient, and bags by lot
alter table batches add column gave_back jsonb;
