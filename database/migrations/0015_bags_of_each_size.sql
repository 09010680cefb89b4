-- One lot fills bags of several sizes: a row for each size, under one number.
alter table lots drop constraint lots_number_key;
create unique index lots_by_number on lots (number, bag_g);
