-- A specimen made in place of one whose test was void is linked to it.
alter table lot_specimen_set add column in_place_of bigint null,
  add constraint set_in_place_of foreign key (in_place_of) references lot_specimen (id);
