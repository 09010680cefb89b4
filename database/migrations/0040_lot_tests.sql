-- The order in which the blends of a lot were emptied into its bags, where it was not one after the other; the newest
-- row counts, and what was said before stays.
create table lot_orders (
  id      uuid primary key default gen_random_uuid(),
  work_id uuid not null references lot_works (id),
  emptied integer[] not null check (cardinality(emptied) > 0),
  who     text not null check (length(who) between 1 and 80),
  why     text not null check (length(why) between 1 and 300),
  at      timestamptz not null default now(),
  seq     bigint generated always as identity
);
create index lot_orders_in_order on lot_orders (work_id, seq desc);
create trigger told after insert on lot_orders for each statement execute function tell_things('premix');

-- What a test of a lot showed: one piece and one spoon of it. What is wrong of one is struck out, and stays.
create table lot_tests (
  id        uuid primary key default gen_random_uuid(),
  -- any size of the lot: all of it is one mix
  lot_id    uuid not null references lots (id),
  flow_s    double precision check (flow_s > 0),
  across_mm double precision check (across_mm > 0),
  height_mm double precision check (height_mm > 0),
  foam_mm   double precision check (foam_mm >= 0),
  who       text not null default '' check (length(who) <= 80),
  note      text not null default '' check (length(note) <= 300),
  at        timestamptz not null default now(),
  struck_at timestamptz,
  check (num_nonnulls(flow_s, across_mm, height_mm, foam_mm) > 0)
);
create index lot_tests_by_lot on lot_tests (lot_id);
create trigger told after insert or update on lot_tests for each statement execute function tell_things('premix');

-- Codes on the packets that a batch was mixed from, by ingredient, a comma between them.
create table batch_sacks (
  batch_id      uuid not null references batches on delete cascade,
  ingredient_id text not null,
  name          text not null,
  lot           text not null check (length(lot) between 1 and 200),
  who           text not null default '' check (length(who) <= 80),
  at            timestamptz not null default now(),
  primary key (batch_id, ingredient_id)
);
create trigger told after insert or update or delete on batch_sacks for each statement execute function tell_things('premix');
