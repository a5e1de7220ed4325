-- Instruments that are really connected: where they are listened to, what each sent, once, and which bench has which.
alter table equipment_instrument add column serial varchar(40) null;
alter table equipment_instrument add constraint instrument_serial unique (serial);

create table line_address (
  id bigint not null auto_increment primary key,
  way varchar(20) not null,
  place varchar(200) not null,
  -- the instrument that answered there first; another one is asked about
  serial varchar(40) null,
  added_by varchar(40) not null,
  added_at datetime(3) not null,
  constraint address_once unique (way, place)
);

-- The last number that is kept of an instrument's epoch.
create table line_ledger (
  id bigint not null auto_increment primary key,
  serial varchar(40) not null,
  epoch varchar(80) not null,
  last_seq bigint not null,
  constraint ledger_once unique (serial, epoch)
);

create table line_press (
  id bigint not null auto_increment primary key,
  serial varchar(40) not null,
  epoch varchar(80) not null,
  seq bigint not null,
  instrument_id bigint not null,
  shown varchar(40) not null,
  unit varchar(20) not null,
  state varchar(20) not null,
  pressed_at datetime(3) not null,
  kept_at datetime(3) not null,
  late boolean not null,
  -- what became of it, with who and when; null while it waits
  used_for varchar(200) null,
  used_by varchar(40) null,
  used_at datetime(3) null,
  -- it became nothing, for the reason that stands there
  left_out boolean not null default false,
  constraint press_once unique (serial, epoch, seq),
  key press_waiting (used_for, id),
  constraint press_of_instrument foreign key (instrument_id) references equipment_instrument (id)
);

create table line_stream (
  id bigint not null auto_increment primary key,
  serial varchar(40) not null,
  epoch varchar(80) not null,
  stream bigint not null,
  instrument_id bigint not null,
  unit varchar(20) not null,
  way_unit varchar(20) not null,
  points int not null,
  ended boolean not null,
  begun_at datetime(3) not null,
  -- the specimen that was in hand as it began
  begun_lot bigint null,
  begun_for varchar(20) null,
  used_for varchar(200) null,
  used_by varchar(40) null,
  used_at datetime(3) null,
  left_out boolean not null default false,
  constraint stream_once unique (serial, epoch, stream),
  constraint stream_of_instrument foreign key (instrument_id) references equipment_instrument (id)
);

-- Points as they came, rows of time, load and way.
create table line_part (
  id bigint not null auto_increment primary key,
  stream_id bigint not null,
  first_seq bigint not null,
  content mediumtext not null,
  constraint part_once unique (stream_id, first_seq),
  constraint part_of_stream foreign key (stream_id) references line_stream (id)
);

create table line_holding (
  instrument_id bigint not null primary key,
  station varchar(40) not null,
  held_by varchar(40) not null,
  held_at datetime(3) not null,
  constraint holding_of_instrument foreign key (instrument_id) references equipment_instrument (id)
);

-- The press that a reading was taken from: each once.
alter table bench_reading add column press_id bigint null;
alter table bench_reading add constraint press_read_once unique (press_id);

-- An upload that is the stream of an instrument.
alter table curve_upload add column stream_id bigint null;
