-- The unit that an instrument's display is set to; empty for the working unit. A bare number typed from it is kept with that unit.
alter table equipment_instrument add column display varchar(12) not null default '';

-- Levels borne and not borne are judged as a staircase from now on: what is stored of undecided lots is made anew.
insert into site_revision (scope, revision) values ('register', 1) on duplicate key update revision = revision + 1;
