-- One lot from published claim to release. Readings are stored as typed; series_point, claim_judgement and series_signal
-- are worked out from them and can always be rebuilt.

create table account (
  id bigint not null auto_increment primary key,
  name varchar(40) not null,
  password_hash varchar(100) not null,
  rights varchar(200) not null,
  created_at datetime(3) not null,
  constraint account_name unique (name)
);

create table product (
  id bigint not null auto_increment primary key,
  code varchar(30) not null,
  name varchar(80) not null,
  material varchar(200) not null,
  colours varchar(200) not null,
  caution varchar(400) not null,
  constraint product_code unique (code)
);

create table product_datasheet (
  id bigint not null auto_increment primary key,
  product_id bigint not null,
  revision int not null,
  valid_from date not null,
  constraint datasheet_revision unique (product_id, revision),
  constraint datasheet_of_product foreign key (product_id) references product (id)
);

create table product_claim (
  id bigint not null auto_increment primary key,
  datasheet_id bigint not null,
  place int not null,
  property varchar(40) not null,
  as_typed varchar(80) not null,
  lower_edge double null,
  upper_edge double null,
  minimum_n int not null,
  method varchar(40) not null,
  basis varchar(20) not null,
  orientation varchar(4) not null,
  conditioning varchar(20) not null,
  rate double not null,
  design varchar(40) not null,
  constraint claim_place unique (datasheet_id, place),
  constraint claim_of_datasheet foreign key (datasheet_id) references product_datasheet (id)
);

create table lot (
  id bigint not null auto_increment primary key,
  version int not null,
  code varchar(40) not null,
  product_id bigint not null,
  datasheet_id bigint not null,
  colour varchar(40) not null,
  made_on date not null,
  size varchar(60) not null,
  note varchar(1000) not null,
  state varchar(20) not null,
  created_by varchar(40) not null,
  created_at datetime(3) not null,
  constraint lot_code unique (code),
  constraint lot_of_product foreign key (product_id) references product (id),
  constraint lot_under_datasheet foreign key (datasheet_id) references product_datasheet (id),
  index lot_waiting (state, made_on, id)
);

create table lot_specimen_set (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  request varchar(40) not null,
  design varchar(40) not null,
  orientation varchar(4) not null,
  basis varchar(20) not null,
  conditioning varchar(20) not null,
  rate double not null,
  created_by varchar(40) not null,
  created_at datetime(3) not null,
  constraint set_request unique (request),
  constraint set_of_lot foreign key (lot_id) references lot (id)
);

create table lot_specimen (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  set_id bigint not null,
  label varchar(12) not null,
  place int not null,
  constraint specimen_label unique (lot_id, label),
  constraint specimen_of_set foreign key (set_id) references lot_specimen_set (id),
  constraint specimen_of_lot foreign key (lot_id) references lot (id)
);

create table equipment_instrument (
  id bigint not null auto_increment primary key,
  kind varchar(20) not null,
  name varchar(60) not null,
  capacity double null,
  relative_uncertainty double not null,
  absolute_uncertainty double not null,
  constraint instrument_name unique (name)
);

create table bench_import (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  file_name varchar(200) not null,
  sha256 char(64) not null,
  content mediumtext not null,
  gauge_id bigint not null,
  state varchar(10) not null,
  row_count int not null,
  staged_by varchar(40) not null,
  staged_at datetime(3) not null,
  index import_of_file (lot_id, sha256),
  constraint import_of_lot foreign key (lot_id) references lot (id),
  constraint import_gauge foreign key (gauge_id) references equipment_instrument (id)
);

create table bench_reading (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  specimen_id bigint not null,
  quantity varchar(12) not null,
  place int not null,
  typed varchar(40) not null,
  value double not null,
  outcome varchar(20) null,
  instrument_id bigint not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  import_id bigint null,
  -- 1 for the reading that counts, null for one that was corrected: the key allows one that counts and any number before it
  live tinyint null,
  replaces_id bigint null,
  reason varchar(300) not null,
  constraint reading_once unique (specimen_id, quantity, place, live),
  constraint reading_of_lot foreign key (lot_id) references lot (id),
  constraint reading_of_specimen foreign key (specimen_id) references lot_specimen (id),
  constraint reading_instrument foreign key (instrument_id) references equipment_instrument (id),
  constraint reading_import foreign key (import_id) references bench_import (id),
  constraint reading_replaces foreign key (replaces_id) references bench_reading (id)
);

create table evidence_series (
  id bigint not null auto_increment primary key,
  product_id bigint not null,
  colour varchar(40) not null,
  property varchar(40) not null,
  method varchar(40) not null,
  basis varchar(20) not null,
  orientation varchar(4) not null,
  conditioning varchar(20) not null,
  rate double not null,
  design varchar(40) not null,
  constraint series_identity unique (product_id, colour, property, method, basis, orientation, conditioning, rate, design),
  constraint series_of_product foreign key (product_id) references product (id)
);

create table evidence_point (
  id bigint not null auto_increment primary key,
  series_id bigint not null,
  lot_id bigint not null,
  made_on date not null,
  n int not null,
  mean double not null,
  sd double null,
  bounds int not null,
  constraint point_once unique (series_id, lot_id),
  constraint point_of_series foreign key (series_id) references evidence_series (id),
  constraint point_of_lot foreign key (lot_id) references lot (id),
  index point_order (series_id, made_on, lot_id)
);

create table evidence_judgement (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  claim_id bigint not null,
  verdict varchar(20) not null,
  reason varchar(400) not null,
  n int not null,
  more int null,
  constraint judgement_once unique (lot_id, claim_id),
  constraint judgement_of_lot foreign key (lot_id) references lot (id),
  constraint judgement_of_claim foreign key (claim_id) references product_claim (id)
);

create table drift_baseline (
  id bigint not null auto_increment primary key,
  series_id bigint not null,
  version int not null,
  lots int not null,
  centre double not null,
  sigma double not null,
  mean_range double not null,
  range_upper double not null,
  spread double null,
  signed_by varchar(40) not null,
  signed_at datetime(3) not null,
  reason varchar(300) not null,
  constraint baseline_version unique (series_id, version),
  constraint baseline_of_series foreign key (series_id) references evidence_series (id)
);

-- The values stand beside the lots: a baseline is what was signed, not what the readings say today.
create table drift_baseline_lot (
  id bigint not null auto_increment primary key,
  baseline_id bigint not null,
  lot_id bigint not null,
  mean double not null,
  sd double null,
  n int not null,
  constraint baseline_lot_once unique (baseline_id, lot_id),
  constraint lot_of_baseline foreign key (baseline_id) references drift_baseline (id),
  constraint baseline_lot foreign key (lot_id) references lot (id)
);

create table drift_signal (
  id bigint not null auto_increment primary key,
  series_id bigint not null,
  lot_id bigint not null,
  rule varchar(40) not null,
  words varchar(120) not null,
  constraint signal_once unique (series_id, lot_id, rule),
  constraint signal_of_series foreign key (series_id) references evidence_series (id),
  constraint signal_of_lot foreign key (lot_id) references lot (id),
  index signal_at_lot (lot_id)
);

create table drift_answer (
  id bigint not null auto_increment primary key,
  series_id bigint not null,
  lot_id bigint not null,
  words varchar(400) not null,
  answer varchar(600) not null,
  answered_by varchar(40) not null,
  answered_at datetime(3) not null,
  constraint answer_of_series foreign key (series_id) references evidence_series (id),
  constraint answer_of_lot foreign key (lot_id) references lot (id),
  index answer_at_lot (lot_id)
);

create table gate_decision (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  revision int not null,
  disposition varchar(20) not null,
  reason varchar(600) not null,
  decided_by varchar(40) not null,
  decided_at datetime(3) not null,
  snapshot mediumtext not null,
  sha256 char(64) not null,
  constraint decision_revision unique (lot_id, revision),
  constraint decision_of_lot foreign key (lot_id) references lot (id)
);
