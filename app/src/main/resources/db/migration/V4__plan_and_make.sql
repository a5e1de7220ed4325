-- Plan and make: plans with a lot's own copy, recipes, print runs, chambers, conditioning, and an equipment register that
-- knows more than gauges. What is added to older tables has a default under which older data mean what they meant.

alter table equipment_instrument
  add column places int not null default 1,
  add column resolution double null,
  add column range_low double null,
  add column rates varchar(80) not null default '',
  add column compliance double null,
  add column free_swing_loss double null,
  add column rig varchar(80) not null default '',
  add column note varchar(300) not null default '';

alter table equipment_calibration
  add column verified_capacity double null,
  add column file_name varchar(200) not null default '',
  add column file_type varchar(100) not null default '',
  add column content mediumblob null;

create table equipment_check_standard (
  id bigint not null auto_increment primary key,
  instrument_id bigint not null,
  name varchar(80) not null,
  nominal double not null,
  tolerance double not null,
  unit varchar(12) not null,
  constraint standard_name unique (instrument_id, name),
  constraint standard_of_instrument foreign key (instrument_id) references equipment_instrument (id)
);

create table equipment_check_reading (
  id bigint not null auto_increment primary key,
  standard_id bigint not null,
  typed varchar(40) not null,
  value double not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint check_of_standard foreign key (standard_id) references equipment_check_standard (id)
);

alter table lot_specimen_set
  add column method varchar(40) not null default 'tension',
  add column notch varchar(10) not null default 'NONE',
  add column build varchar(80) not null default '',
  add column scale double not null default 1,
  -- printer, recipe, maker, method revision: what no claim speaks of and what starts a new series all the same
  add column setup varchar(160) not null default '',
  add column climate varchar(60) not null default '',
  add column conditioned_to datetime(3) null,
  add column beside_id bigint null,
  add constraint set_beside foreign key (beside_id) references lot (id);

alter table lot_sample
  add column holds double null,
  add column holds_typed varchar(30) not null default '';

alter table bench_reading
  add column rig varchar(80) not null default '';

alter table product_statement modify column design varchar(120) null;

alter table evidence_series
  modify column design varchar(120) not null,
  add column setup varchar(240) not null default '',
  add constraint series_key unique (product_id, colour, property, method, basis, orientation, conditioning, rate, design, process, setup);
alter table evidence_series drop index series_terms;

alter table evidence_point
  add column taken_off double not null default 0;

-- Old and new way by the same lots: whether they share a chart, and by what offset.
create table evidence_bridge (
  id bigint not null auto_increment primary key,
  old_series_id bigint not null,
  new_series_id bigint not null,
  lots int not null,
  difference double not null,
  lower_end double not null,
  upper_end double not null,
  margin double not null,
  finding varchar(20) not null,
  taken_off double not null,
  reason varchar(300) not null,
  decided_by varchar(40) not null,
  decided_at datetime(3) not null,
  constraint bridge_once unique (new_series_id),
  constraint bridge_old foreign key (old_series_id) references evidence_series (id),
  constraint bridge_new foreign key (new_series_id) references evidence_series (id)
);

create table plan_setting (
  name varchar(40) not null primary key,
  typed varchar(60) not null,
  changed_by varchar(40) not null,
  changed_at datetime(3) not null
);

create table plan_method (
  id bigint not null auto_increment primary key,
  method varchar(20) not null,
  revision int not null,
  parameters varchar(1000) not null,
  reason varchar(300) not null,
  made_by varchar(40) not null,
  made_at datetime(3) not null,
  constraint method_revision unique (method, revision)
);

create table plan_revision (
  id bigint not null auto_increment primary key,
  product_id bigint not null,
  revision int not null,
  reason varchar(300) not null,
  made_by varchar(40) not null,
  made_at datetime(3) not null,
  constraint plan_revision_once unique (product_id, revision),
  constraint plan_of_product foreign key (product_id) references product (id)
);

-- A lot's own copy of its product's plan.
create table plan_lot (
  lot_id bigint not null primary key,
  revision_id bigint not null,
  wanted_on date null,
  not_before date null,
  delay_reason varchar(200) not null,
  constraint plan_of_lot foreign key (lot_id) references lot (id),
  constraint plan_lot_revision foreign key (revision_id) references plan_revision (id)
);

-- A line belongs to a product's revision or to a lot's copy; a lot's line that differs says why.
create table plan_line (
  id bigint not null auto_increment primary key,
  revision_id bigint null,
  lot_id bigint null,
  place int not null,
  method varchar(20) not null,
  design varchar(40) not null,
  orientation varchar(4) not null,
  notch varchar(10) not null,
  basis varchar(20) not null,
  build varchar(80) not null,
  conditioning varchar(20) not null,
  rate double not null,
  n int not null,
  process varchar(120) not null,
  expected varchar(30) not null,
  deviation varchar(300) not null,
  constraint line_of_revision foreign key (revision_id) references plan_revision (id),
  constraint line_of_lot foreign key (lot_id) references lot (id),
  index line_order (revision_id, place),
  index line_of_lot_order (lot_id, place)
);

create table plan_recipe (
  id bigint not null auto_increment primary key,
  product_id bigint not null,
  printer_id bigint not null,
  revision int not null,
  entries mediumtext not null,
  status varchar(12) not null,
  source varchar(200) not null,
  reason varchar(300) not null,
  frozen_by varchar(40) not null,
  frozen_at datetime(3) not null,
  constraint recipe_revision unique (product_id, printer_id, revision),
  constraint recipe_of_product foreign key (product_id) references product (id),
  constraint recipe_printer foreign key (printer_id) references equipment_instrument (id)
);

create table plan_treatment (
  id bigint not null auto_increment primary key,
  product_id bigint not null,
  kind varchar(10) not null,
  name varchar(60) not null,
  revision int not null,
  steps varchar(400) not null,
  minutes int not null,
  pose varchar(12) not null,
  status varchar(12) not null,
  source varchar(200) not null,
  frozen_by varchar(40) not null,
  frozen_at datetime(3) not null,
  constraint treatment_revision unique (product_id, name, revision),
  constraint treatment_of_product foreign key (product_id) references product (id)
);

-- A retained lot tested beside every nth lot.
create table plan_reference (
  id bigint not null auto_increment primary key,
  product_id bigint not null,
  lot_id bigint not null,
  every_nth int not null,
  stock int not null,
  warn_below int not null,
  chosen_by varchar(40) not null,
  chosen_at datetime(3) not null,
  constraint reference_of_product unique (product_id),
  constraint reference_product foreign key (product_id) references product (id),
  constraint reference_lot foreign key (lot_id) references lot (id)
);

create table make_run (
  id bigint not null auto_increment primary key,
  request varchar(40) not null,
  lot_id bigint not null,
  recipe_id bigint not null,
  printer_id bigint not null,
  sample_id bigint null,
  started_at datetime(3) not null,
  ambient varchar(30) not null,
  humidity varchar(30) not null,
  spool_state varchar(60) not null,
  nozzle_hours varchar(30) not null,
  differences varchar(300) not null,
  plate_width double not null,
  plate_depth double not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint run_request unique (request),
  constraint run_of_lot foreign key (lot_id) references lot (id),
  constraint run_recipe foreign key (recipe_id) references plan_recipe (id),
  constraint run_printer foreign key (printer_id) references equipment_instrument (id),
  constraint run_sample foreign key (sample_id) references lot_sample (id)
);

create table make_place (
  id bigint not null auto_increment primary key,
  run_id bigint not null,
  specimen_id bigint not null,
  at_row int not null,
  at_column int not null,
  x double not null,
  y double not null,
  constraint placed_once unique (specimen_id),
  constraint place_of_run foreign key (run_id) references make_run (id),
  constraint place_specimen foreign key (specimen_id) references lot_specimen (id)
);

create table make_chamber (
  id bigint not null auto_increment primary key,
  request varchar(40) not null,
  lot_id bigint not null,
  treatment_id bigint not null,
  chamber_id bigint not null,
  began_at datetime(3) not null,
  cycles int not null,
  at_rows int not null,
  at_columns int not null,
  seed bigint not null,
  reached varchar(120) not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint chamber_request unique (request),
  constraint chamber_of_lot foreign key (lot_id) references lot (id),
  constraint chamber_treatment foreign key (treatment_id) references plan_treatment (id),
  constraint chamber_instrument foreign key (chamber_id) references equipment_instrument (id)
);

create table make_chamber_place (
  id bigint not null auto_increment primary key,
  run_id bigint not null,
  specimen_id bigint not null,
  cycle int not null,
  place int not null,
  pose varchar(12) not null,
  constraint chamber_place_once unique (run_id, cycle, place),
  constraint chamber_specimen_once unique (run_id, cycle, specimen_id),
  constraint chamber_place_run foreign key (run_id) references make_chamber (id),
  constraint chamber_place_specimen foreign key (specimen_id) references lot_specimen (id)
);

create table make_rework (
  id bigint not null auto_increment primary key,
  specimen_id bigint not null,
  kind varchar(20) not null,
  note varchar(200) not null,
  done_at datetime(3) not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint rework_specimen foreign key (specimen_id) references lot_specimen (id)
);

create table make_bought (
  set_id bigint not null primary key,
  maker varchar(80) not null,
  machine varchar(80) not null,
  file_revision varchar(60) not null,
  refusals varchar(300) not null,
  changes varchar(300) not null,
  received_on date not null,
  entered_by varchar(40) not null,
  passed tinyint(1) null,
  inspection varchar(300) not null,
  inspected_by varchar(40) not null,
  inspected_at datetime(3) null,
  constraint bought_set foreign key (set_id) references lot_specimen_set (id)
);

create table make_weighing (
  id bigint not null auto_increment primary key,
  set_id bigint not null,
  weighed_at datetime(3) not null,
  typed varchar(30) not null,
  mass double not null,
  entered_by varchar(40) not null,
  constraint weighing_set foreign key (set_id) references lot_specimen_set (id)
);

-- The number from which a lot's order of testing follows.
create table make_order (
  lot_id bigint not null primary key,
  seed bigint not null,
  given_by varchar(40) not null,
  given_at datetime(3) not null,
  constraint order_of_lot foreign key (lot_id) references lot (id)
);

-- Tests whose readings the bench does not reduce: begun, read, done, with what was read as written.
create table make_mark (
  id bigint not null auto_increment primary key,
  specimen_id bigint not null,
  kind varchar(10) not null,
  words varchar(120) not null,
  marked_at datetime(3) not null,
  entered_by varchar(40) not null,
  constraint mark_specimen foreign key (specimen_id) references lot_specimen (id)
);

create table bench_confirmation (
  id bigint not null auto_increment primary key,
  account varchar(40) not null,
  method varchar(20) not null,
  confirmed_on date not null,
  points varchar(400) not null,
  confirmed_at datetime(3) not null,
  constraint confirmed_once unique (account, method, confirmed_on)
);
