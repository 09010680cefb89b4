-- What a kitchen has besides the shipped tables: its own ingredients, as entered from their packets or as blends.
create table own_ingredients (
  id          text primary key check (id ~ '^own-[a-z0-9-]{1,56}$'),
  name        text not null check (length(name) between 1 and 80),
  -- names it had before: cards that use one are still understood
  aliases     text[] not null default '{}',
  -- the panel or the blend as the cook entered it; composition is worked from it
  packet      jsonb not null,
  created_at  timestamptz not null default now()
);
create unique index own_ingredients_by_name on own_ingredients (lower(name));

-- Measures this kitchen has weighed or answered for.
create table own_measures (
  id             uuid primary key default gen_random_uuid(),
  unit           text not null,
  which          text not null default '',
  -- how full, as a fraction is written: 1, 2/3
  "full"         text not null default '1',
  -- the one ingredient it holds for; empty: a vessel for anything
  ingredient_id  text not null default '',
  -- g of its ingredient, or ml of anything
  each           double precision not null check (each > 0),
  low            double precision not null check (low >= 0),
  high           double precision not null check (high > 0),
  weighings      double precision[] not null default '{}',
  used           boolean not null default true,
  made_at        timestamptz not null default now(),
  unique (unit, which, "full", ingredient_id)
);

-- What is known of an ingredient on the shelf.
create table stock (
  ingredient_id  text primary key,
  price          double precision check (price >= 0),
  pack_g         double precision check (pack_g > 0),
  on_hand_g      double precision check (on_hand_g >= 0),
  opened         date,
  best_before    date
);
