-- A lot as it is weighed, blend by blend, in the records: another device sees it and goes on. Nothing of it is rubbed out:
-- what is put right is a weighing of its own, which names the one before.
create table lot_works (
  id         uuid primary key,
  premix_id  uuid not null references premixes (id),
  edition    integer not null check (edition > 0),
  -- bags of each size, as they are to be filled
  bag_g      double precision[] not null,
  bags       integer[] not null,
  made       date not null,
  -- equal ones, one after the other
  blends     integer not null check (blends between 1 and 1000),
  begun_at   timestamptz not null default now(),
  -- filled into bags, or given up
  closed_at  timestamptz,
  close_why  text not null default '',
  check (cardinality(bag_g) = cardinality(bags) and cardinality(bags) > 0)
);
create unique index lot_works_open on lot_works (premix_id) where closed_at is null;
create index lot_works_by_premix on lot_works (premix_id);
create trigger told after insert or update or delete on lot_works for each statement execute function tell_things('premix');

create table lot_weighings (
  id            uuid primary key default gen_random_uuid(),
  work_id       uuid not null references lot_works (id),
  -- of the weighing on the blend sheet: blend.step.thing.part
  key           text not null check (length(key) between 1 and 120),
  blend         integer not null check (blend > 0),
  ingredient_id text not null,
  name          text not null,
  target_g      double precision not null check (target_g > 0),
  tolerance_g   double precision not null check (tolerance_g >= 0),
  -- each sack's own lot, and what came out of it
  sack_lots     text[] not null,
  sack_grams    double precision[] not null,
  scale         text not null default '',
  at            timestamptz not null default now(),
  replaces      uuid unique references lot_weighings (id),
  why           text not null default '' check (length(why) <= 300),
  by_person     uuid,
  by_device     uuid,
  seq           bigint generated always as identity,
  check (cardinality(sack_lots) = cardinality(sack_grams) and cardinality(sack_lots) > 0),
  check ((replaces is null) = (why = ''))
);
-- a thing is weighed in once; what is wrong of it is put right
create unique index lot_weighings_once on lot_weighings (work_id, key) where replaces is null;
create index lot_weighings_in_order on lot_weighings (work_id, seq);
create trigger signed before insert on lot_weighings for each row execute function sign_row();
create trigger told after insert on lot_weighings for each statement execute function tell_things('premix');

-- The weighing that filled a lot, and the number on this size's first bag; null: the lot is older than that.
alter table lots
  add column work_id uuid references lot_works (id),
  add column first_bag integer check (first_bag > 0);
create index lots_by_work on lots (work_id) where work_id is not null;

-- Which bags left, by their numbers, where somebody wrote them.
alter table lot_uses add column numbers integer[] not null default '{}';
-- A part of an entry that came back, and what a count found missing, or found.
alter table lot_uses
  add column returns uuid references lot_uses (id),
  drop constraint lot_uses_kind_check,
  add constraint lot_uses_kind_check check (kind in ('batch', 'sale', 'gift', 'bin', 'other', 'count')),
  add constraint lot_uses_returns_check check (returns is null or (bags < 0 and undoes is null));
create index lot_uses_by_returned on lot_uses (returns) where returns is not null;
-- Between allergens: what the lot before held and this one does not, what was asked to be cleared down, what of it was
-- done and by whom; and what whoever leads says of traces, without which a lot that was not cleared has no label.
alter table lots
  add column carried text[] not null default '{}',
  add column carried_from text not null default '',
  add column clear_asked text[] not null default '{}',
  add column cleared text[] not null default '{}',
  add column cleared_by text not null default '',
  add column traces text not null default '' check (length(traces) <= 300),
  add column traces_by text not null default '';
-- What a bag of it cost to make on that day, in the house's money; null: not all of it had a price.
alter table lots add column cost double precision check (cost >= 0);
