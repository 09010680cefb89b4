-- What became of a batch's one change for next time, and which batch tries the change of which.
alter table batches
  -- null: nobody has said
  add column change_state text check (change_state in ('tried', 'not-now', 'done')),
  add column change_at timestamptz,
  add column tries uuid references batches (id) on delete set null;
create index batches_tries on batches (tries) where tries is not null;
