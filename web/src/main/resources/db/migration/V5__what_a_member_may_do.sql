-- What a member may do in a job, of what the account may do at all: who was a member before may do all of it.
alter table job_member
    add column surveyor boolean not null default true,
    add column reviewer boolean not null default true;
