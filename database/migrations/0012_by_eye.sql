-- A batch made by eye: the hurry's gear, which the log knows.
alter table batches drop constraint batches_exactness_check;
alter table batches add constraint batches_exactness_check check (exactness in ('exact', 'gram', 'kitchen', 'eye'));
