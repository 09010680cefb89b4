-- The small diary of a pan, an iron or a griddle: seasoned, cleaned, stripped, stuck. An entry is taken back, never rubbed out.
create table care_notes (
  id         uuid primary key default gen_random_uuid(),
  request_id uuid unique,
  -- of the house's gear, by its id there
  gear_id    text not null,
  what       text not null check (what in ('seasoned', 'cleaned', 'stripped', 'stuck')),
  note       text not null default '',
  batch_id   uuid references batches (id) on delete set null,
  at         timestamptz not null default now(),
  undone_at  timestamptz
);
create index care_notes_of_gear on care_notes (gear_id, at desc);
create unique index care_stuck_once on care_notes (gear_id, batch_id) where what = 'stuck' and batch_id is not null and undone_at is null;
