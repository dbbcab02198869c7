-- Sessions of an office with more than one copy of the program, as the library that keeps them wants them.
create table SPRING_SESSION (
    PRIMARY_ID            char(36)     not null primary key,
    SESSION_ID            char(36)     not null,
    CREATION_TIME         bigint       not null,
    LAST_ACCESS_TIME      bigint       not null,
    MAX_INACTIVE_INTERVAL int          not null,
    EXPIRY_TIME           bigint       not null,
    PRINCIPAL_NAME        varchar(100) null,
    unique key SPRING_SESSION_IX1 (SESSION_ID),
    key SPRING_SESSION_IX2 (EXPIRY_TIME),
    key SPRING_SESSION_IX3 (PRINCIPAL_NAME)
);

create table SPRING_SESSION_ATTRIBUTES (
    SESSION_PRIMARY_ID char(36)     not null,
    ATTRIBUTE_NAME     varchar(200) not null,
    ATTRIBUTE_BYTES    blob         not null,
    primary key (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
    foreign key (SESSION_PRIMARY_ID) references SPRING_SESSION (PRIMARY_ID) on delete cascade
);

-- The copies of the program on this database, and when each last said that it is there.
create table running_copy (
    name       varchar(120) not null primary key,
    started_at datetime(6)  not null,
    heard_at   datetime(6)  not null
);
