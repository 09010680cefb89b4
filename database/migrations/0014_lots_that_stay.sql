-- A lot stays what it was made as; its books say who took what, and every entry can have its counter-entry.
alter table lots
  -- name, maker, label text, allergens, additions and directions of the day it was made; null: made before they were kept
  add column frozen jsonb,
  add column made_by text not null default '',
  -- what stayed in the sieve, g
  add column rest_g double precision not null default 0 check (rest_g >= 0),
  add column voided_at timestamptz,
  add column voided_by text not null default '',
  add column void_why text not null default '';

-- half a bag is half; a counter-entry is less than nothing
alter table lot_uses drop constraint lot_uses_bags_check;
alter table lot_uses alter column bags type double precision;
alter table lot_uses
  add constraint lot_uses_bags_check check (bags <> 0),
  add column kind text not null default 'other' check (kind in ('batch', 'sale', 'gift', 'bin', 'other')),
  add column who text not null default '',
  -- for all of it, in the house's money
  add column price double precision check (price >= 0),
  add column undoes uuid unique references lot_uses (id);
update lot_uses set kind = 'batch' where batch_id is not null;

-- What of a lot was corrected: as it was, by whom and why.
create table lot_changes (
  id     uuid primary key default gen_random_uuid(),
  lot_id uuid not null references lots (id),
  who    text not null check (length(who) between 1 and 80),
  why    text not null check (length(why) between 1 and 300),
  was    jsonb not null,
  at     timestamptz not null default now()
);
create index lot_changes_by_lot on lot_changes (lot_id, at);

-- A mix is a product with versions: another bag is another edition of it, and a lot says of which it is.
alter table premixes add column edition integer not null default 1 check (edition > 0);
alter table lots add column edition integer not null default 1 check (edition > 0);
create table premix_editions (
  premix_id   uuid not null references premixes (id) on delete cascade,
  edition     integer not null,
  version_id  uuid not null references formula_versions (id),
  settings    jsonb not null,
  replaced_at timestamptz not null default now(),
  primary key (premix_id, edition)
);
