-- What of a batch changes after it was begun: stand-ins that can be undone, covers, a batch that is put away.
alter table batches
  -- whole eggs in each mix, where the plan kept them whole
  add column eggs integer,
  -- the sheet and its mass before anything stood in on it; null: nothing does
  add column unswapped jsonb,
  -- how often the sheet was changed since the start, and when last: prints say which state they are of
  add column sheet_state integer not null default 1,
  add column sheet_at timestamptz,
  -- put away without being made to the end
  add column put_away boolean not null default false;
