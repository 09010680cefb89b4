-- A formula is a row of versions; each save adds one and nothing is overwritten.
create table formulas (
  id          uuid primary key default gen_random_uuid(),
  created_at  timestamptz not null default now()
);

create table formula_versions (
  id           uuid primary key default gen_random_uuid(),
  formula_id   uuid not null references formulas (id),
  number       integer not null check (number > 0),
  -- the version the cook had open when saving; null for the first
  based_on     integer,
  name         text not null check (length(name) between 1 and 120),
  kind         text not null,
  school       text not null,
  conventions  jsonb not null,
  -- [{ key, text, ingredientId?, vessel?, stands? }], as the cook wrote them
  lines        jsonb not null,
  -- what stood around the lines on the card: yield, method, remarks
  card_notes   text not null default '',
  change_note  text not null default '',
  -- worked out at the save, for the shelf and its filters
  main_flour   text,
  main_liquid  text,
  pour         text,
  worst        text,
  saved_at     timestamptz not null default now(),
  unique (formula_id, number)
);

-- One making of a version. The sheet is frozen when the batch starts.
create table batches (
  id            uuid primary key default gen_random_uuid(),
  version_id    uuid not null references formula_versions (id),
  driver        jsonb not null,
  exactness     text not null check (exactness in ('exact', 'gram')),
  -- [{ key, text, name, vessel, measure, grams, preparation }]
  sheet         jsonb not null,
  mass_g        double precision not null check (mass_g > 0),
  pieces_planned integer,
  portion_ml    double precision,
  started_at    timestamptz not null default now(),
  finished_at   timestamptz,
  pieces        integer check (pieces >= 0),
  first_side_s  integer check (first_side_s > 0),
  second_side_s integer check (second_side_s > 0),
  verdict       text check (verdict in ('best', 'good', 'fair', 'poor')),
  marks         text[] not null default '{}',
  note          text not null default ''
);
create index batches_by_version on batches (version_id);
create index batches_by_start on batches (started_at desc);

-- A line of the sheet that has been weighed.
create table batch_ticks (
  batch_id   uuid not null references batches (id),
  line_key   text not null,
  ticked_at  timestamptz not null default now(),
  primary key (batch_id, line_key)
);

-- Facts about this kitchen that are no part of a formula or batch.
create table kitchen (
  key    text primary key,
  value  jsonb not null
);
