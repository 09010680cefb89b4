-- What really went in, line by line, where it was weighed and not only ticked.
create table batch_weights (
  batch_id  uuid not null references batches (id),
  line_key  text not null,
  grams     double precision not null check (grams >= 0),
  at        timestamptz not null default now(),
  primary key (batch_id, line_key)
);
