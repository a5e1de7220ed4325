-- How each series stands, as it was last worked out: made from the points, the claims and the limits, and made anew once one of them is newer.
create table drift_glance (
  series_id bigint not null primary key,
  stamp bigint not null,
  version int not null,
  says mediumtext not null,
  constraint glance_of_series foreign key (series_id) references evidence_series (id)
);
