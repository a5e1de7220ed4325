-- An instrument's calibrations: a reading is covered when one of them holds on its day. None on record is said, not held against
-- it: sites of before knew of none.
create table equipment_calibration (
  id bigint not null auto_increment primary key,
  instrument_id bigint not null,
  done_on date not null,
  due_on date not null,
  certificate varchar(120) not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint calibration_of_instrument foreign key (instrument_id) references equipment_instrument (id)
);
