-- What is derived carries the revision of what it was derived from. Every write under a lot's lock raises the lot's; what else
-- verdicts rest on has counters of its own. Derived rows hold no foreign key to a lot: a check of one would wait for whoever
-- types a reading, and they can be made again at any time.

alter table lot add column revision bigint not null default 1, add index lot_of_product_waiting (product_id, state);

create table site_revision (
  scope varchar(40) not null primary key,
  revision bigint not null
);

create table evidence_state (
  lot_id bigint not null primary key,
  points bigint not null,
  verdicts bigint not null,
  fault varchar(300) not null default ''
);
-- What was decided stays as it was judged.
insert into evidence_state (lot_id, points, verdicts) select id, 0, 0 from lot where state in ('RELEASED', 'REJECTED');

alter table evidence_point drop foreign key point_of_lot, drop foreign key point_of_series;
alter table evidence_judgement drop foreign key judgement_of_lot, drop foreign key judgement_of_claim;
alter table drift_signal drop foreign key signal_of_lot, drop foreign key signal_of_series;
