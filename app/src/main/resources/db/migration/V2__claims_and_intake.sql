-- What is published becomes more than a datasheet of strengths: label, web page and datasheet, each with revisions, and
-- statements of every form. Intake: raw-material lots, samples, records as typed, diameter logs.

rename table product_datasheet to product_publication;
alter table product_publication
  add column kind varchar(20) not null default 'DATASHEET',
  add column source varchar(300) not null default '',
  add column published_by varchar(40) not null default '',
  add column file_name varchar(200) not null default '',
  add column file_type varchar(100) not null default '',
  add column content mediumblob null,
  add constraint publication_revision unique (product_id, kind, revision);
alter table product_publication drop index datasheet_revision;

rename table product_claim to product_statement;
-- Columns of a foreign key are renamed in a statement of their own: together with other changes the server refuses it.
alter table product_statement rename column datasheet_id to publication_id;
alter table product_statement rename column property to topic;
alter table product_statement
  modify column as_typed varchar(120) not null,
  add column form varchar(20) not null default 'AT_LEAST',
  add column figure double null,
  add column words varchar(400) not null default '',
  add column qualifier varchar(80) not null default '',
  add column process varchar(120) not null default '',
  add column rival_id bigint null,
  modify column method varchar(40) null,
  modify column basis varchar(20) null,
  modify column orientation varchar(4) null,
  modify column conditioning varchar(20) null,
  modify column rate double null,
  modify column design varchar(40) null,
  add constraint statement_rival foreign key (rival_id) references product (id);
update product_statement set form = case
  when lower_edge is not null and upper_edge is not null then 'BETWEEN'
  when lower_edge is not null then 'AT_LEAST'
  else 'AT_MOST' end;
update product_statement set as_typed = substr(as_typed, 10) where as_typed like 'at least %';

create table product_resolution (
  id bigint not null auto_increment primary key,
  product_id bigint not null,
  governs_id bigint not null,
  other_id bigint not null,
  reason varchar(400) not null,
  correction varchar(400) not null,
  resolved_by varchar(40) not null,
  resolved_at datetime(3) not null,
  constraint resolution_once unique (governs_id, other_id),
  constraint resolution_of_product foreign key (product_id) references product (id),
  constraint resolution_governs foreign key (governs_id) references product_statement (id),
  constraint resolution_other foreign key (other_id) references product_statement (id)
);

alter table product
  add column family varchar(20) not null default 'FILAMENT',
  add column life varchar(20) not null default 'ON_SALE',
  add column life_reason varchar(300) not null default '',
  add column equivalents varchar(300) not null default '',
  add column hygroscopic tinyint(1) not null default 0,
  add column open_hours double not null default 24,
  add column box_humidity double not null default 0.2,
  add column conditioning_hours double not null default 88;

create table product_price (
  id bigint not null auto_increment primary key,
  product_id bigint not null,
  amount double not null,
  currency varchar(3) not null,
  pack double not null,
  tax_rate double not null,
  tax_included tinyint(1) not null,
  discount double not null,
  priced_on date not null,
  note varchar(200) not null,
  entered_by varchar(40) not null,
  constraint price_of_product foreign key (product_id) references product (id)
);

alter table lot
  add column line varchar(60) not null default '',
  add column regrind varchar(20) not null default '',
  add column formulation varchar(40) not null default '';

create table lot_raw_material (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  kind varchar(20) not null,
  code varchar(60) not null,
  constraint raw_once unique (lot_id, kind, code),
  constraint raw_of_lot foreign key (lot_id) references lot (id),
  index raw_forwards (code)
);

create table lot_sample (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  label varchar(20) not null,
  place varchar(10) not null,
  drawn_by varchar(60) not null,
  drawn_from varchar(120) not null,
  drawn_on date not null,
  entered_by varchar(40) not null,
  constraint sample_label unique (lot_id, label),
  constraint sample_of_lot foreign key (lot_id) references lot (id)
);

-- An engineer's word that lets something pass, with its reason; never removed.
create table lot_word (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  kind varchar(30) not null,
  reason varchar(400) not null,
  given_by varchar(40) not null,
  given_at datetime(3) not null,
  constraint word_of_lot foreign key (lot_id) references lot (id)
);

alter table lot_specimen_set
  add column sample_id bigint null,
  add column process varchar(120) not null default '',
  add column made_at datetime(3) null,
  add column conditioned_from datetime(3) null,
  add constraint set_sample foreign key (sample_id) references lot_sample (id);

alter table evidence_series
  add column process varchar(120) not null default '',
  add constraint series_terms unique (product_id, colour, property, method, basis, orientation, conditioning, rate, design, process);
alter table evidence_series drop index series_identity;

-- A record of intake: what was typed, field by field, as JSON; corrected by a second one with a reason.
create table intake_record (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  sample_id bigint null,
  kind varchar(20) not null,
  request varchar(40) not null,
  entries mediumtext not null,
  live tinyint(1) not null,
  replaces_id bigint null,
  reason varchar(300) not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint record_request unique (request),
  constraint record_of_lot foreign key (lot_id) references lot (id),
  constraint record_of_sample foreign key (sample_id) references lot_sample (id),
  constraint record_replaces foreign key (replaces_id) references intake_record (id)
);

create table intake_log (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  sample_id bigint null,
  file_name varchar(200) not null,
  sha256 char(64) not null,
  nominal double not null,
  tolerance double not null,
  row_count bigint not null,
  first_position double not null,
  last_position double not null,
  mean double not null,
  ovality_mean double not null,
  share_outside double not null,
  result mediumtext not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint log_of_file unique (lot_id, sha256),
  constraint log_of_lot foreign key (lot_id) references lot (id),
  constraint log_of_sample foreign key (sample_id) references lot_sample (id)
);

-- Readings in stretches: summary for the widest view, envelope for the middle, every reading for the nearest.
create table intake_log_stretch (
  log_id bigint not null,
  place int not null,
  row_count int not null,
  first_position double not null,
  last_position double not null,
  least double not null,
  greatest double not null,
  mean double not null,
  ovality double not null,
  envelope mediumblob not null,
  readings mediumblob not null,
  primary key (log_id, place),
  constraint stretch_of_log foreign key (log_id) references intake_log (id)
);
