-- What is over, or made on purpose, and kept: pieces frozen or chilled, batter kept cold. What leaves is written down, never rubbed out.
create table kept_lots (
  id         uuid primary key default gen_random_uuid(),
  request_id uuid unique,
  number     integer generated always as identity unique,
  batch_id   uuid references batches (id) on delete set null,
  formula_id uuid references formulas (id) on delete set null,
  name       text not null,
  kind       text not null,
  state      text not null check (state in ('frozen', 'chilled', 'batter')),
  cooked     text not null check (cooked in ('done', 'early', 'raw')),
  -- pieces; of batter the pieces it is good for
  pieces     integer not null check (pieces > 0),
  -- wrapped in parcels of so many; null: singly
  parcel     integer check (parcel > 0),
  place      text not null default '',
  made       date not null,
  best_by    date not null check (best_by >= made),
  note       text not null default '',
  who        text not null default '',
  created_at timestamptz not null default now()
);
create index kept_lots_of_formula on kept_lots (formula_id);
create index kept_lots_of_batch on kept_lots (batch_id);
create table kept_uses (
  id         uuid primary key default gen_random_uuid(),
  request_id uuid unique,
  lot_id     uuid not null references kept_lots (id) on delete cascade,
  pieces     integer not null check (pieces > 0),
  how        text not null check (how in ('served', 'thrown')),
  who        text not null default '',
  at         timestamptz not null default now(),
  -- taken back: it counts no more, and stays in the book
  undone_at  timestamptz
);
create index kept_uses_of_lot on kept_uses (lot_id, at);
