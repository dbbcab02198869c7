-- The account of the pages reads and adds; beside that it moves a job's sequence on and keeps people. Entries stay as they were added.
grant update on job to 'markturn'@'127.0.0.1';
grant update on person to 'markturn'@'127.0.0.1';
