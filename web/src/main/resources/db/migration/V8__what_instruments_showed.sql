-- What each setup showed of its instrument: computed from readings with the summary of its job, and remade with it.
create table setup_figures (
    job_id               char(36)    not null,
    setup                varchar(60) not null,
    serial               varchar(60) not null,
    at                   datetime(6) not null,
    temperature          double      null,
    pairs                int         not null,
    collimation          double      not null,
    collimation_std_dev  double      not null,
    collimation_spread   double      not null,
    vertical_index       double      not null,
    index_std_dev        double      not null,
    index_spread         double      not null,
    trunnion             double      null,
    trunnion_std_dev     double      null,
    direction_squares    double      not null,
    direction_degrees    int         not null,
    zenith_squares       double      not null,
    zenith_degrees       int         not null,
    distance_squares     double      not null,
    distance_degrees     int         not null,
    whole_test           boolean     not null,
    primary key (job_id, setup),
    key of_serial (serial, at),
    foreign key (job_id) references job (id)
);

-- The instruments of the office: each version of what new jobs begin with, with who and why; only ever added to.
create table office_instrument (
    number   bigint        not null auto_increment primary key,
    serial   varchar(60)   not null,
    profile  text          not null,
    noted_at datetime(6)   not null,
    noted_by varchar(60)   not null,
    reason   varchar(2000) not null,
    key of_serial (serial)
);

-- Certificates of instruments and reflectors; only ever added to.
create table certificate (
    number    bigint       not null auto_increment primary key,
    about     varchar(60)  not null,
    issued_on date         not null,
    due_on    date         null,
    words     varchar(500) not null,
    noted_at  datetime(6)  not null,
    noted_by  varchar(60)  not null,
    key of_thing (about)
);
