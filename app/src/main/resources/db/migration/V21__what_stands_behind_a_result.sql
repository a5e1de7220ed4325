-- What a product's results are compared with, as a colour's master: it counts once another account has signed it.
create table plan_master (
  id bigint not null auto_increment primary key,
  product_id bigint not null,
  colour varchar(60) not null,
  method varchar(40) not null,
  entries mediumtext not null,
  source varchar(200) not null,
  reason varchar(300) not null,
  proposed_by varchar(40) not null,
  proposed_at datetime(3) not null,
  signed_by varchar(40) null,
  signed_at datetime(3) null,
  constraint master_of_product foreign key (product_id) references product (id)
);

-- The weights by which grades of a method are summed: what was graded before they were written is not summed by them.
create table plan_weights (
  id bigint not null auto_increment primary key,
  product_id bigint not null,
  method varchar(40) not null,
  entries mediumtext not null,
  reason varchar(300) not null,
  written_by varchar(40) not null,
  written_at datetime(3) not null,
  constraint weights_of_product foreign key (product_id) references product (id)
);

-- Each setting of a recipe with its reason and where it comes from.
alter table plan_recipe add column reasons mediumtext not null default '';

-- What a printer can do; what is empty nobody knows.
create table equipment_printer (
  instrument_id bigint not null primary key,
  nozzle_most double null,
  bed_most double null,
  chamber_most double null,
  hardened boolean not null,
  lined boolean not null,
  plate_width double null,
  plate_depth double null,
  set_by varchar(40) not null,
  set_at datetime(3) not null,
  constraint printer_instrument foreign key (instrument_id) references equipment_instrument (id)
);

-- What was done to equipment and when: nozzles changed, belts drawn, films renewed, light engines measured.
create table equipment_upkeep (
  id bigint not null auto_increment primary key,
  request varchar(40) not null,
  instrument_id bigint not null,
  done_on date not null,
  kind varchar(20) not null,
  words varchar(200) not null,
  measured double null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint upkeep_request unique (request),
  constraint upkeep_instrument foreign key (instrument_id) references equipment_instrument (id)
);

-- Numbers of a print run beside the room's, what somebody present noticed, and which settings differed from the recipe.
alter table make_run add column enclosure varchar(30) not null default '';
alter table make_run add column enclosure_humidity varchar(30) not null default '';
alter table make_run add column noticed varchar(200) not null default '';

create table make_difference (
  id bigint not null auto_increment primary key,
  run_id bigint not null,
  field varchar(30) not null,
  frozen varchar(80) not null,
  used varchar(80) not null,
  matters boolean not null,
  reason varchar(300) not null,
  constraint difference_once unique (run_id, field),
  constraint difference_of_run foreign key (run_id) references make_run (id)
);

-- How the parts of a run that were begun ended, the good ones among them.
create table make_part (
  id bigint not null auto_increment primary key,
  request varchar(40) not null,
  run_id bigint not null,
  ended varchar(20) not null,
  parts int not null,
  note varchar(200) not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint part_request unique (request, ended),
  constraint part_of_run foreign key (run_id) references make_run (id)
);

-- Irradiance at each place of a chamber, in mW/cm²; times the seconds of a programme it is the dose of what lay there.
create table equipment_irradiance (
  id bigint not null auto_increment primary key,
  instrument_id bigint not null,
  place int not null,
  irradiance double not null,
  measured_on date not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint irradiance_once unique (instrument_id, measured_on, place),
  constraint irradiance_instrument foreign key (instrument_id) references equipment_instrument (id)
);

-- How long a product keeps: what was said when a lot was made holds for it.
create table product_shelf (
  id bigint not null auto_increment primary key,
  product_id bigint not null,
  days int not null,
  reason varchar(300) not null,
  said_by varchar(40) not null,
  said_at datetime(3) not null,
  constraint shelf_of_product foreign key (product_id) references product (id)
);
