-- Walls, line width, layer, tops, infill and pattern become factors of their own, kept as a key of them. What was written in
-- words before stays in words, with the process, where it already stands in the key of its series: no chart is cut.
update plan_line set process = left(concat_ws('; ', build, nullif(process, '')), 120) where build <> '';
update lot_specimen_set set process = left(concat_ws('; ', build, nullif(process, '')), 120) where build <> '';

alter table plan_line
  drop column build,
  add column built varchar(120) character set ascii not null default '';
alter table lot_specimen_set
  drop column build,
  add column built varchar(120) character set ascii not null default '';
alter table product_statement
  add column built varchar(120) character set ascii not null default '';

-- Names out of the program's own lists are plain letters: said so, they leave room in the key of a series.
alter table evidence_series
  modify column property varchar(40) character set ascii not null,
  modify column method varchar(40) character set ascii not null,
  modify column basis varchar(20) character set ascii not null,
  modify column orientation varchar(4) character set ascii not null,
  modify column conditioning varchar(20) character set ascii not null,
  add column built varchar(120) character set ascii not null default '',
  add constraint series_of_build unique (
    product_id, colour, property, method, basis, orientation, conditioning, rate, design, process, built, setup,
    formulation, masterbatch, masterbatch_share);
alter table evidence_series drop index series_of_blend;
