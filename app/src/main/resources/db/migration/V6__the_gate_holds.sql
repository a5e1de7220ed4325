-- Words of judgement speak of one thing, with a cause; dispositions with what they need; what is entered late says why.

alter table lot_word
  modify column kind varchar(40) not null,
  add column subject varchar(120) not null default '',
  add column cause varchar(30) not null default '';
update lot_word set kind = 'PRODUCT_WITHDRAWN' where kind = 'WITHDRAWN_PRODUCT';
update lot_word set kind = 'CALIBRATION' where kind = 'OUT_OF_CALIBRATION';

-- What a decision ordered: tests again, or work on the material. What was tested before it is told from what came after.
create table lot_remedy (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  kind varchar(20) not null,
  set_id bigint null,
  cause varchar(30) not null,
  rule varchar(20) not null,
  reason varchar(600) not null,
  ordered_by varchar(40) not null,
  ordered_at datetime(3) not null,
  constraint remedy_of_lot foreign key (lot_id) references lot (id),
  constraint remedy_of_set foreign key (set_id) references lot_specimen_set (id)
);

-- A release under concession waits here for its second signature; it covers what blocked the lot when it was signed first.
create table gate_concession (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  scope varchar(300) not null,
  amount varchar(120) not null,
  until_day date not null,
  reason varchar(600) not null,
  covers mediumtext not null,
  signed_by varchar(40) not null,
  signed_at datetime(3) not null,
  ended tinyint(1) not null default 0,
  constraint concession_of_lot foreign key (lot_id) references lot (id)
);

alter table gate_decision
  add column particulars varchar(1200) not null default '',
  add column second_by varchar(40) not null default '',
  modify column snapshot longtext not null;

alter table evidence_state
  add column blocks mediumtext null;
alter table evidence_judgement
  modify column reason varchar(2000) not null;

alter table bench_reading add column cause varchar(30) not null default '';
alter table make_rework add column cause varchar(30) not null default '';

alter table drift_signal add column baseline_version int not null default 0;

alter table product_resolution add index resolution_pair (governs_id, other_id), drop index resolution_once;

-- What was written down after a result was known, with the reason; somebody else looks at it before a release.
create table lot_late_entry (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  what varchar(200) not null,
  reason varchar(300) not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint late_entry_of_lot foreign key (lot_id) references lot (id)
);

alter table lot_specimen_set add column conditioned_by varchar(40) not null default '';

-- A form sent twice is stored once for its own lot; the same key on another lot is another form.
alter table lot_specimen_set drop index set_request, add constraint set_request unique (lot_id, request);
alter table intake_record drop index record_request, add constraint record_request unique (lot_id, request);
alter table make_run drop index run_request, add constraint run_request unique (lot_id, request);
alter table make_chamber drop index chamber_request, add constraint chamber_request unique (lot_id, request);
