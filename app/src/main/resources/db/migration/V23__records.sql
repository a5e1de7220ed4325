-- Records of load by way: files as they came, the record of each specimen in few bytes, and every analysis that was made of it.
create table curve_upload (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  method varchar(60) not null,
  read_by varchar(20) not null,
  second_by varchar(20) not null,
  instrument_id bigint not null,
  layout varchar(4000) not null,
  passed_over varchar(4000) not null,
  state varchar(10) not null,
  staged_by varchar(40) not null,
  staged_at datetime(3) not null,
  key upload_of_lot (lot_id)
);

create table curve_file (
  id bigint not null auto_increment primary key,
  upload_id bigint not null,
  file_name varchar(200) not null,
  sha256 varchar(64) not null,
  length int not null,
  content longblob not null,
  taken boolean not null,
  key file_sha (sha256),
  constraint upload_of_file foreign key (upload_id) references curve_upload (id)
);

create table curve_record (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  specimen_id bigint not null,
  place int not null,
  file_id bigint null,
  name varchar(200) not null,
  points int not null,
  read_by varchar(20) not null,
  compliance double null,
  capacity double null,
  instrument_id bigint not null,
  packed longblob not null,
  sha256 varchar(64) not null,
  taken_by varchar(40) not null,
  taken_at datetime(3) not null,
  constraint record_once unique (sha256),
  constraint record_of_specimen unique (specimen_id, place),
  key record_of_lot (lot_id)
);

create table curve_analysis (
  id bigint not null auto_increment primary key,
  record_id bigint not null,
  strain_from double not null,
  strain_to double not null,
  yield_rule varchar(10) not null,
  break_at int null,
  reason varchar(300) not null,
  drawn mediumtext not null,
  made_by varchar(40) not null,
  made_at datetime(3) not null,
  key analysis_of_record (record_id),
  constraint record_of_analysis foreign key (record_id) references curve_record (id)
);

-- How a test frame writes its files, under a name.
create table curve_profile (
  id bigint not null auto_increment primary key,
  name varchar(60) not null,
  loading varchar(20) not null,
  layout varchar(4000) not null,
  made_by varchar(40) not null,
  made_at datetime(3) not null,
  constraint profile_name unique (name)
);

alter table bench_reading add column analysis_id bigint null;
