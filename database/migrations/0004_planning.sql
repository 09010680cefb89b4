-- A batch may be taken in cups and spoons.
alter table batches drop constraint batches_exactness_check;
alter table batches add constraint batches_exactness_check check (exactness in ('exact', 'gram', 'kitchen'));
