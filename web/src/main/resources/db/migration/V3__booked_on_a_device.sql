-- What was booked on a device without a connection keeps what its clock said; booked_at is when it arrived.
alter table entry add column device_at datetime(6) null after booked_at;
