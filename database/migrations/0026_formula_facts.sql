-- What a formula is found by is worked from its newest version and from the kitchen: a row of its own for each formula's newest
-- version, worked anew whenever the kitchen's stamp, the code or the day is another. Nothing here is kept for good.
create table formula_facts (
  version_id   uuid primary key references formula_versions (id) on delete cascade,
  formula_id   uuid not null unique references formulas (id) on delete cascade,
  -- of the kitchen and of the code that it was worked by
  stamp        text not null,
  code         integer not null,
  -- the day it was worked for, where an opened powder counts; null: any
  day          date,
  -- its name and what it is, in lower case
  search       text not null,
  main_flour   text,
  main_liquid  text,
  pour         text,
  worst        text,
  -- ids of the ingredients in it, and its allergens; '?' where something of it is not known
  holds        text[] not null,
  allergens    text[] not null
);
create index formula_facts_by_stamp on formula_facts (stamp, code);
create index formula_facts_found on formula_facts using gin (search gin_trgm_ops);
create index formula_facts_by_flour on formula_facts (main_flour);
create index formula_facts_by_liquid on formula_facts (main_liquid);
create index formula_facts_hold on formula_facts using gin (holds);

alter table formulas
  drop column search, drop column main_flour, drop column main_liquid, drop column pour, drop column worst,
  drop column holds, drop column allergens, drop column facts_stamp, drop column facts_code, drop column facts_day;
