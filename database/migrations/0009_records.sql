-- Every row that is edited carries a revision: a save on an older one is told what the other has changed.
alter table sides add column revision integer not null default 1;
alter table own_ingredients add column revision integer not null default 1;
alter table premixes add column revision integer not null default 1;
alter table stock add column revision integer not null default 1;
alter table kitchen add column revision integer not null default 1;
alter table batches add column outcome_revision integer not null default 1;
alter table batches add column timeline_revision integer not null default 1;

-- What is on hand is moved by batches and lots, and counted by people; a count is an entry of its own and never changed.
create table stock_counts (
  id             uuid primary key,
  ingredient_id  text not null,
  counted_g      double precision not null check (counted_g >= 0),
  -- what the records had at that moment; null: nothing was noted
  was_g          double precision,
  who            text not null default '',
  counted_at     timestamptz not null default now()
);
create index stock_counts_by_ingredient on stock_counts (ingredient_id, counted_at desc);

-- What a request was answered with: sent again by a retry it is answered the same and does nothing more.
create table requests (
  id      uuid primary key,
  action  text not null,
  answer  jsonb not null,
  at      timestamptz not null default now()
);
create index requests_by_age on requests (at);

-- Raw values that could not be read, kept when something else was put in their place.
create table set_aside (
  id     bigint generated always as identity primary key,
  place  text not null,
  value  jsonb not null,
  at     timestamptz not null default now()
);

-- When a line was last told of, so that an older word that arrives later does not beat a newer one.
create table batch_line_told (
  batch_id  uuid not null references batches (id),
  line_key  text not null,
  at        timestamptz not null,
  primary key (batch_id, line_key)
);

-- The order in which taps and entries arrived; a tap on a piece names the pour that made it.
alter table batch_taps add column seq bigint generated always as identity;
alter table batch_taps add column of_pour uuid;
update batch_taps t set of_pour = p.id from batch_taps p
 where p.batch_id = t.batch_id and p.piece = t.piece and p.act = 'pour' and t.act in ('flip', 'pull');
-- rows that were there before arrived in the order of their times
create temporary table tap_order on commit drop as
  select id, row_number() over (order by at, piece, array_position(array['join', 'pour', 'flip', 'pull'], act)) as n from batch_taps;
alter table batch_taps alter column seq drop identity;
update batch_taps t set seq = o.n from tap_order o where o.id = t.id;
create sequence batch_taps_seq owned by batch_taps.seq;
select setval('batch_taps_seq', coalesce((select max(seq) from batch_taps), 0) + 1, false);
alter table batch_taps alter column seq set default nextval('batch_taps_seq');
create index batch_taps_in_order on batch_taps (batch_id, seq);

alter table batch_entries add column seq bigserial;
create index batch_entries_in_order on batch_entries (batch_id, seq);
