-- What is wanted of a formula: on the scales, in numbers where they are measured, and in words. It stays when it is emptied.
create table targets (
  formula_id uuid primary key references formulas (id) on delete cascade,
  scales     jsonb not null default '{}',
  height_mm  double precision check (height_mm > 0),
  across_mm  double precision check (across_mm > 0),
  note       text not null default '',
  revision   integer not null default 1,
  set_at     timestamptz not null default now()
);
-- and what was measured of one piece that came out
alter table batches
  add column height_mm double precision check (height_mm > 0),
  add column across_mm double precision check (across_mm > 0);
