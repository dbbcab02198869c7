-- The account of the pages reads and adds; beside that it moves a job's sequence on and keeps people. Entries stay as they were added.
grant update on job to ${pages};
grant update on person to ${pages};
-- A link that was used, or that another took the place of, is gone.
grant delete on invitation to ${pages};
-- Members are let in and taken out; that it happened stays in the job's entries.
grant update, delete on job_member to ${pages};
-- Summaries are remade, and devices let go, at will.
grant update, delete on job_summary to ${pages};
grant update, delete on taken_along to ${pages};
grant update, delete on setup_figures to ${pages};
-- Sessions begin and end; copies of the program come and go.
grant update, delete on SPRING_SESSION to ${pages};
grant update, delete on SPRING_SESSION_ATTRIBUTES to ${pages};
grant update, delete on running_copy to ${pages};
grant update, delete on register_use to ${pages};
