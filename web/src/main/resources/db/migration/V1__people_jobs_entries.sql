-- People sign in; a job belongs to its members; what happened in a job are its entries, only ever added.
create table person (
    sign_in_name  varchar(60)  not null primary key,
    shown_name    varchar(120) not null,
    password_hash varchar(200) not null,
    surveyor      boolean      not null,
    reviewer      boolean      not null
);

create table job (
    id            char(36)     not null primary key,
    title         varchar(200) not null,
    opened_at     datetime(6)  not null,
    last_sequence bigint       not null
);

create table job_member (
    job_id       char(36)    not null,
    sign_in_name varchar(60) not null,
    primary key (job_id, sign_in_name),
    foreign key (job_id) references job (id),
    foreign key (sign_in_name) references person (sign_in_name)
);

create table entry (
    job_id    char(36)    not null,
    sequence  bigint      not null,
    entry_key varchar(80) not null,
    booked_at datetime(6) not null,
    booked_by varchar(60) not null,
    kind      varchar(30) not null,
    payload   longtext    not null,
    primary key (job_id, sequence),
    unique key one_key_one_entry (job_id, entry_key),
    foreign key (job_id) references job (id)
);
