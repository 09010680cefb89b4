-- What formulas are found by hangs on the kitchen: on the house, its own ingredients and measures, and when a tin was opened. One stamp
-- is made anew with every change of these, whoever makes it; a formula's row says under which stamp it was worked.
alter table formulas
  -- null: not worked yet
  add column facts_stamp text,
  -- of the code that worked it
  add column facts_code integer not null default 0,
  -- the day it was worked for, where an opened powder counts; null: any
  add column facts_day date;
create index formulas_by_facts on formulas (facts_stamp);

create function stamp_kitchen() returns trigger language plpgsql as $$
begin
  insert into kitchen (key, value) values ('facts', to_jsonb(gen_random_uuid())) on conflict (key) do update set value = excluded.value;
  return null;
end $$;
create trigger stamp_kitchen after insert or update or delete or truncate on own_ingredients for each statement execute function stamp_kitchen();
create trigger stamp_kitchen after insert or update or delete or truncate on own_measures for each statement execute function stamp_kitchen();
create trigger stamp_kitchen after update on kitchen for each row when (new.key = 'house' and new.value is distinct from old.value) execute function stamp_kitchen();
create trigger stamp_kitchen_new after insert on kitchen for each row when (new.key = 'house') execute function stamp_kitchen();
create trigger stamp_kitchen_gone after delete on kitchen for each row when (old.key = 'house') execute function stamp_kitchen();
create trigger stamp_kitchen after update of opened on stock for each row when (new.opened is distinct from old.opened) execute function stamp_kitchen();
create trigger stamp_kitchen_new after insert on stock for each row when (new.opened is not null) execute function stamp_kitchen();
create trigger stamp_kitchen_gone after delete on stock for each row when (old.opened is not null) execute function stamp_kitchen();

-- a version is the formula's own; what hangs on the kitchen stands with the formula alone
alter table formula_versions drop column main_flour, drop column main_liquid, drop column pour, drop column worst;
