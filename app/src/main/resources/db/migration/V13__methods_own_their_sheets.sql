-- A reading is keyed by the field of its method's sheet; how a test ended stands with the reading that closed it.
alter table bench_reading rename column quantity to field;
alter table bench_reading
  modify column field varchar(40) not null,
  modify column typed varchar(200) not null,
  modify column value double null,
  modify column outcome varchar(30) null,
  add column method_revision int not null default 1;
update bench_reading set field = lower(field);
update bench_reading set outcome = 'BROKE_IN_GAUGE' where field = 'force' and outcome is null;
update bench_reading set outcome = 'NO_BREAK' where outcome = 'DID_NOT_BREAK';
update bench_reading r set r.method_revision =
  (select coalesce(max(m.revision), 1) from plan_method m where m.method = 'TENSION' and m.made_at <= r.entered_at)
  where r.outcome is not null;

-- A method is known by the id in its file, not by its title or a constant's name.
alter table plan_method modify column method varchar(40) not null;
alter table plan_line modify column method varchar(40) not null;
alter table bench_confirmation modify column method varchar(40) not null;
create temporary table method_named (old varchar(40) primary key, id varchar(40) not null);
insert into method_named values
  ('TENSION', 'tension'), ('DOUBLE_SHEAR', 'double-shear'), ('TORSION', 'torsion'), ('BENDING', 'three-point-bending'),
  ('TIMED_HOLD', 'timed-hold'), ('CREEP', 'creep'), ('IMPACT_NOTCHED', 'pendulum-impact'),
  ('PART_LOAD', 'part-load'), ('THREAD', 'thread-stripping'), ('HEAT', 'heat-under-load');
-- What was pinned for bars without a notch is kept beside; the one method has one row of revisions.
update plan_method set method = 'unnotched-impact' where method = 'IMPACT_UNNOTCHED';
update plan_method m join method_named n on n.old = m.method collate utf8mb4_bin set m.method = n.id;
update plan_line set method = 'IMPACT_NOTCHED' where method = 'IMPACT_UNNOTCHED';
update plan_line m join method_named n on n.old = m.method collate utf8mb4_bin set m.method = n.id;
update ignore bench_confirmation m join method_named n on n.old = m.method collate utf8mb4_bin set m.method = n.id;
drop temporary table method_named;

create temporary table method_titled (title varchar(40) primary key, id varchar(40) not null);
insert into method_titled values
  ('double shear', 'double-shear'), ('bending', 'three-point-bending'), ('timed hold', 'timed-hold'),
  ('creep in tension', 'creep'), ('notched impact', 'pendulum-impact'), ('unnotched impact', 'pendulum-impact'),
  ('load of a part', 'part-load'), ('thread', 'thread-stripping'), ('heat under load', 'heat-under-load');
update lot_specimen_set m join method_titled n on n.title = m.method set m.method = n.id;
update product_statement m join method_titled n on n.title = m.method set m.method = n.id;
drop temporary table method_titled;

-- A characteristic is known by its id.
create temporary table property_named (old varchar(40) primary key, id varchar(60) not null);
insert into property_named values
  ('TENSILE_STRENGTH', 'tension-strength'), ('UPRIGHT_FLAT_RATIO', 'upright-flat-tension-strength'),
  ('SECTION_WIDTH', 'section-width'), ('SECTION_THICKNESS', 'section-thickness'),
  ('FILAMENT_DIAMETER', 'filament-diameter'), ('FILAMENT_OVALITY', 'filament-ovality'), ('DENSITY', 'density'),
  ('VISCOSITY', 'viscosity'), ('PENETRATION_DEPTH', 'penetration-depth');
update evidence_series s join property_named n on n.old = s.property set s.property = n.id;
drop temporary table property_named;

insert into site_revision (scope, revision) values ('register', 1) on duplicate key update revision = revision + 1;
