-- What formulas and batches are found by, kept beside them so that a page costs the same however many there are.
create extension if not exists pg_trgm;

alter table formulas
  add column newest integer,
  add column name text,
  -- its name and what it is, in lower case
  add column search text not null default '',
  add column kind text,
  add column school text,
  add column main_flour text,
  add column main_liquid text,
  add column pour text,
  add column worst text,
  add column saved_at timestamptz,
  -- when it was last saved or made
  add column used_at timestamptz,
  add column last_verdict text,
  add column best_batch_id uuid,
  -- ids of the ingredients in it, and its allergens; null: not worked yet (the start command does)
  add column holds text[],
  add column allergens text[];

alter table batches
  add column formula_id uuid references formulas (id),
  add column name text,
  add column search text not null default '',
  -- which end of a forked formula it is made from, by its id and not by its name
  add column end_id text check (end_id in ('a', 'b'));
update batches b set end_id = (
  select e->>'id' from formula_versions v, jsonb_array_elements(case when jsonb_typeof(v.settings->'ends') = 'array' then v.settings->'ends' else '[]' end) e
   where v.id = b.version_id and e->>'name' = b.ending and e->>'id' in ('a', 'b') limit 1) where b.ending is not null;

update formulas f set newest = v.number, name = v.name, kind = v.kind, school = v.school, main_flour = v.main_flour, main_liquid = v.main_liquid,
       pour = v.pour, worst = v.worst, saved_at = v.saved_at, used_at = v.saved_at, search = lower(v.name)
  from formula_versions v
 where v.formula_id = f.id and v.number = (select max(number) from formula_versions n where n.formula_id = f.id);

-- a batch's own name and words, whatever is written to it
create function batch_words() returns trigger language plpgsql as $$
begin
  if new.formula_id is null or new.name is null then
    select v.formula_id, v.name || coalesce(', ' || new.ending, '') into new.formula_id, new.name from formula_versions v where v.id = new.version_id;
  end if;
  new.search := lower(new.name || ' ' || new.note || ' ' || new.change || ' ' || array_to_string(new.marks, ' '));
  return new;
end $$;
create trigger batch_words before insert or update of note, change, marks, name, formula_id on batches for each row execute function batch_words();
update batches set note = note;
alter table batches alter column formula_id set not null;
alter table batches alter column name set not null;

create function verdict_rank(v text) returns integer language sql immutable as $$ select array_position(array['best', 'good', 'fair', 'poor'], v) $$;

create index batches_by_formula on batches (formula_id, started_at desc, id);
create index batches_best on batches (formula_id, verdict_rank(verdict), finished_at desc) where verdict is not null;
create index batches_last on batches (formula_id, finished_at desc) where finished_at is not null;
create index batches_in_time on batches (started_at desc, id desc);
create index batches_open on batches (started_at) where finished_at is null;
create index batches_by_verdict on batches (verdict, started_at desc, id desc);
create index batches_found on batches using gin (search gin_trgm_ops);
drop index batches_by_start;

-- what the formula's row says of its batches
create function formula_made() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' and new.verdict is not distinct from old.verdict and new.finished_at is not distinct from old.finished_at then return new; end if;
  update formulas f set
    used_at = greatest(f.used_at, new.started_at),
    last_verdict = (select b.verdict from batches b where b.formula_id = f.id and b.finished_at is not null order by b.finished_at desc limit 1),
    best_batch_id = (select b.id from batches b where b.formula_id = f.id and b.verdict is not null order by verdict_rank(b.verdict), b.finished_at desc limit 1)
   where f.id = new.formula_id;
  return new;
end $$;
create trigger formula_made after insert or update of verdict, finished_at on batches for each row execute function formula_made();
update formulas f set
  used_at = greatest(f.used_at, (select max(b.started_at) from batches b where b.formula_id = f.id)),
  last_verdict = (select b.verdict from batches b where b.formula_id = f.id and b.finished_at is not null order by b.finished_at desc limit 1),
  best_batch_id = (select b.id from batches b where b.formula_id = f.id and b.verdict is not null order by verdict_rank(b.verdict), b.finished_at desc limit 1);

create index formulas_by_use on formulas (used_at desc, id desc);
create index formulas_by_name on formulas (lower(name), id);
create index formulas_found on formulas using gin (search gin_trgm_ops);
create index formulas_by_kind on formulas (kind, used_at desc, id desc);
create index formulas_by_flour on formulas (main_flour, used_at desc, id desc);
create index formulas_by_liquid on formulas (main_liquid, used_at desc, id desc);
create index formulas_by_verdict on formulas (last_verdict, used_at desc, id desc);
create index formulas_hold on formulas using gin (holds);
create index formulas_unworked on formulas (id) where holds is null;

create index lots_in_time on lots (made desc, number desc, id desc);
create index batch_entries_dials on batch_entries (at desc) where act->>'what' = 'heat' and act->>'by' = 'probe';
create index stock_by_date on stock (best_before) where best_before is not null;
