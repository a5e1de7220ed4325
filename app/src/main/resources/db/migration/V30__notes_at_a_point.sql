-- A note at one lot of one chart: it stands at its point, and on no other chart.
alter table drift_event add column series_id bigint null after product_id;
alter table drift_event add column lot_id bigint null after series_id;
alter table drift_event add constraint event_of_series foreign key (series_id) references evidence_series (id);
alter table drift_event add constraint event_at_lot foreign key (lot_id) references lot (id);
