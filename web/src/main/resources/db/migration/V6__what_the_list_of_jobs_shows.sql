-- What the list shows of a job: computed from its entries up to a revision, thrown away and made again at will, never the truth.
create table job_summary (
    job_id         char(36)      not null primary key,
    revision       bigint        not null,
    place          varchar(200)  not null,
    archived       boolean       not null,
    practice       boolean       not null,
    setups         int           not null,
    open_stops     int           not null,
    positions      int           not null,
    proved         int           not null,
    last_worked_at datetime(6)   not null,
    last_worked_by varchar(60)   not null,
    booked_by      varchar(2000) not null,
    searched       mediumtext    not null,
    picture        text          not null,
    foreign key (job_id) references job (id)
);

-- Devices that have taken a job along, and when each was last heard.
create table taken_along (
    job_id       char(36)    not null,
    device       varchar(60) not null,
    sign_in_name varchar(60) not null,
    heard_at     datetime(6) not null,
    primary key (job_id, device),
    foreign key (job_id) references job (id),
    foreign key (sign_in_name) references person (sign_in_name)
);
