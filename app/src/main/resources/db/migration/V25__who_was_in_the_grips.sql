-- The specimen that was in hand as a stream began.
alter table line_stream
  add column begun_lot bigint null,
  add column begun_for varchar(20) null;
