-- Jobs in which the same marks are measured: an index of what their entries say, so that one finds the others.
create table series_job (
    series char(36) not null,
    job_id char(36) not null,
    primary key (series, job_id),
    foreign key (job_id) references job (id)
);
