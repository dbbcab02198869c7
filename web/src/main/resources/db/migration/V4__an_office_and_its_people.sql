-- Administrators open accounts by links that work once; what they did stands in a record of its own, only ever added to.
alter table person
    add column administrator boolean not null default false,
    add column disabled boolean not null default false;

create table invitation (
    token_digest char(64)    not null primary key,
    sign_in_name varchar(60) not null,
    ends_at      datetime(6) not null,
    foreign key (sign_in_name) references person (sign_in_name)
);

create table office_record (
    number bigint       not null auto_increment primary key,
    at     datetime(6)  not null,
    who    varchar(60)  not null,
    what   varchar(500) not null
);
