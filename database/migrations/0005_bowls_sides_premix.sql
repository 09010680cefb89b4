-- How a batch is mixed: in one bowl, in equal mixes, or as kits for benches; and the press of a button that started it,
-- so that the second press of a double click starts nothing.
alter table batches add column split jsonb not null default '{"by": "one"}';
alter table batches add column request_id uuid unique;
-- What it is made as, where a mix becomes another kind than its formula's.
alter table batches add column kind text;

-- Sauces, whipped butters, fillings and toppings by parts.
create table sides (
  id         uuid primary key default gen_random_uuid(),
  name       text not null check (length(name) between 1 and 80),
  measure    text not null check (measure in ('weight', 'volume')),
  -- [{ ingredientId, parts }]
  parts      jsonb not null,
  serving_g  double precision not null check (serving_g > 0),
  method     text not null default ''
);
create unique index sides_by_name on sides (lower(name));

-- What a batch or a lot of premix took off the shelf; a row is written once, in the transaction that lowers the stock.
create table stock_takings (
  batch_id       uuid references batches (id),
  lot_id         uuid,
  ingredient_id  text not null,
  -- what it wanted, and what there was of it
  wanted_g       double precision not null check (wanted_g >= 0),
  taken_g        double precision not null check (taken_g >= 0 and taken_g <= wanted_g + 1e-6),
  taken_at       timestamptz not null default now(),
  check ((batch_id is null) <> (lot_id is null)),
  unique (batch_id, ingredient_id),
  unique (lot_id, ingredient_id)
);

-- The dry side of a formula's version as a product.
create table premixes (
  id          uuid primary key default gen_random_uuid(),
  version_id  uuid not null references formula_versions (id),
  name        text not null check (length(name) between 1 and 80),
  -- bag size, powders, density, products, storage, house rule
  settings    jsonb not null,
  created_at  timestamptz not null default now()
);
create unique index premixes_by_name on premixes (lower(name));

-- One blending: so many bags, from these lots of ingredients.
create table lots (
  id           uuid primary key default gen_random_uuid(),
  premix_id    uuid not null references premixes (id),
  number       text not null unique check (length(number) between 1 and 24),
  made         date not null,
  best_before  date not null check (best_before >= made),
  bag_g        double precision not null check (bag_g > 0),
  bags         integer not null check (bags > 0),
  -- what went in, as it was weighed: [{ id, name, grams, lot }]
  contents     jsonb not null,
  checked      text not null default '',
  note         text not null default '',
  request_id   uuid unique,
  created_at   timestamptz not null default now()
);
create index lots_by_premix on lots (premix_id, made desc);
alter table stock_takings add foreign key (lot_id) references lots (id);

-- Bags that left a lot: into a batch, or away. Never more than were made: the lot's row is locked while they are counted.
create table lot_uses (
  id        uuid primary key default gen_random_uuid(),
  lot_id    uuid not null references lots (id),
  batch_id  uuid references batches (id),
  bags      integer not null check (bags > 0),
  why       text not null default '',
  used_at   timestamptz not null default now()
);
create index lot_uses_by_lot on lot_uses (lot_id);
create index lot_uses_by_batch on lot_uses (batch_id);
