-- Each event is one by the form that it was entered by, sent twice or not; those of before have a key of their own.
alter table drift_event add column request varchar(40) null after id;
update drift_event set request = concat('before-', id);
alter table drift_event modify column request varchar(40) not null;
alter table drift_event add constraint event_request unique (request);
-- A note at one lot of one chart: it stands at its point, and on no other chart.
alter table drift_event add column series_id bigint null after product_id;
alter table drift_event add column lot_id bigint null after series_id;
alter table drift_event add constraint event_of_series foreign key (series_id) references evidence_series (id);
alter table drift_event add constraint event_at_lot foreign key (lot_id) references lot (id);
