-- The list of jobs is sorted and searched in the summaries alone: each job has one from its first moment.
alter table job_summary
    add column title varchar(200) not null default '' after revision,
    add column opened_at datetime(6) null after title;

update job_summary s join job j on j.id = s.job_id set s.title = j.title, s.opened_at = j.opened_at;

alter table job_summary
    modify column title varchar(200) not null,
    modify column opened_at datetime(6) not null;

insert into job_summary (job_id, revision, title, opened_at, place, archived, practice, setups, open_stops, positions, proved,
    last_worked_at, last_worked_by, booked_by, searched, picture)
select j.id, 0, j.title, j.opened_at, '', false, false, 0, 0, 0, 0, j.opened_at, '', '', lower(j.title), ''
from job j left join job_summary s on s.job_id = j.id where s.job_id is null;
