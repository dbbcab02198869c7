-- A map or an aerial picture beneath the plans of a job, and how it lies: only ever added to, the last one counts.
create table plan_picture (
    number       bigint      not null auto_increment primary key,
    job_id       char(36)    not null,
    picture      mediumblob  not null,
    wide         int         not null,
    high         int         not null,
    north        double      not null,
    north_across double      not null,
    north_down   double      not null,
    east         double      not null,
    east_across  double      not null,
    east_down    double      not null,
    laid_at      datetime(6) not null,
    laid_by      varchar(60) not null,
    foreign key (job_id) references job (id)
);
