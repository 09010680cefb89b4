-- What the Bench keeps of a version besides its lines: { ways, portionMl, held, meant, ends }.
alter table formula_versions add column settings jsonb not null default '{}';
comment on column formula_versions.conventions is 'what differs from the house; the house itself stands in kitchen under ''house''';
-- Which end of a forked formula a batch was made from, by the name it had.
alter table batches add column ending text;
