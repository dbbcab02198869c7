-- The office's register of marks. Values and checks are only ever added: a second value is a check until somebody lets it take the place.
create table register_mark (
    id    char(36)     not null primary key,
    name  varchar(60)  not null,
    datum varchar(200) not null,
    key of_datum (datum)
);

create table register_value (
    number     bigint        not null auto_increment primary key,
    mark_id    char(36)      not null,
    in_force   boolean       not null,
    northing   double        not null,
    easting    double        not null,
    elevation  double        null,
    std_dev    double        null,
    source     varchar(300)  not null,
    job_id     char(36)      not null,
    entered_at datetime(6)   not null,
    entered_by varchar(60)   not null,
    reason     varchar(2000) not null,
    foreign key (mark_id) references register_mark (id),
    foreign key (job_id) references job (id)
);

-- Tie distances and words about witness marks; only ever added to.
create table register_note (
    number   bigint        not null auto_increment primary key,
    mark_id  char(36)      not null,
    words    varchar(500)  not null,
    distance double        null,
    picture  mediumblob    null,
    noted_at datetime(6)   not null,
    noted_by varchar(60)   not null,
    foreign key (mark_id) references register_mark (id)
);

-- How a mark was found in a job that took it, and how well it agreed: computed with the summary of that job, and remade with it.
create table register_use (
    mark_id   char(36)     not null,
    job_id    char(36)     not null,
    taken     bigint       not null,
    used_at   datetime(6)  not null,
    used_by   varchar(60)  not null,
    found     varchar(30)  not null,
    agreed    varchar(300) not null,
    disagreed boolean      not null,
    primary key (mark_id, job_id),
    foreign key (mark_id) references register_mark (id),
    foreign key (job_id) references job (id)
);
