-- What became of a series in a line, where it has lots enough to tell, and where it changed, by the days its lots were made: which others
-- changed there is asked of all of them at once.
alter table drift_glance add column headline varchar(400);
alter table drift_glance add column changed_from date;
alter table drift_glance add column changed_at date;
alter table drift_glance add column changed_to date;
create index glance_by_change on drift_glance (changed_at);
