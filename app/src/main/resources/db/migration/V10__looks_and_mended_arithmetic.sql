-- What a setting was before it was changed: a lot is held to what was in force when it was made.
create table plan_setting_before (
  id bigint not null auto_increment primary key,
  name varchar(40) not null,
  typed varchar(60) not null,
  changed_by varchar(40) not null,
  changed_at datetime(3) not null
);

-- Arithmetic was mended: what is stored of undecided lots is made anew.
insert into site_revision (scope, revision) values ('register', 1) on duplicate key update revision = revision + 1;

-- What newer arithmetic says of decided lots, where it says something else; shown until somebody has answered it.
create table gate_recomputed (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  decision_id bigint not null,
  what varchar(300) not null,
  was varchar(1000) not null,
  would_be varchar(1000) not null,
  found_at datetime(3) not null,
  answer varchar(300),
  answered_by varchar(40),
  answered_at datetime(3),
  constraint recomputed_lot foreign key (lot_id) references lot (id),
  constraint recomputed_decision foreign key (decision_id) references gate_decision (id)
);
