-- People of the kitchen: a first name or nickname, how they take part, and a drawn mark. Nothing else is kept of anybody.
-- One who is erased leaves a row without the name, so that a number is never given twice.
create table people (
  id         uuid primary key,
  name       text not null check (length(name) between 1 and 40),
  role       text not null check (role in ('lead', 'cook', 'helper', 'child')),
  mark       text not null,
  revision   integer not null default 1,
  created_at timestamptz not null default now(),
  erased_at  timestamptz
);
create unique index people_by_name on people (lower(name)) where erased_at is null;
create trigger told after insert or update or delete on people for each statement execute function tell_things('house');
