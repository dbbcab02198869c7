-- Each payload says in which revision of its kind it was written; what is there was written in the first.
alter table entry add column revision smallint not null default 1 after kind;
