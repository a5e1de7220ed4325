-- What is fetched after a test, as a travel from a record, is owed until it is read, or waived with a reason.
create table bench_owed (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  specimen_id bigint not null,
  field varchar(40) not null,
  said_by varchar(40) not null,
  said_at datetime(3) not null,
  waived_by varchar(40) null,
  waived_at datetime(3) null,
  waived_reason varchar(300) not null default '',
  constraint owed_once unique (specimen_id, field),
  constraint owed_of_lot foreign key (lot_id) references lot (id),
  constraint owed_of_specimen foreign key (specimen_id) references lot_specimen (id)
);
