-- Photographs of specimens, drawn anew when they came in: no place, device or time of a camera is in them.
create table bench_picture (
  id bigint not null auto_increment primary key,
  lot_id bigint not null,
  specimen_id bigint not null,
  sha256 char(64) not null,
  file_name varchar(200) not null,
  shows varchar(200) not null,
  width int not null,
  height int not null,
  across double null,
  mark_across double null,
  mark_down double null,
  content mediumblob not null,
  thumbnail mediumblob not null,
  taken_in_by varchar(40) not null,
  taken_in_at datetime(3) not null,
  struck_by varchar(40) null,
  struck_reason varchar(300) not null default '',
  constraint picture_once unique (specimen_id, sha256),
  constraint picture_of_lot foreign key (lot_id) references lot (id),
  constraint picture_of_specimen foreign key (specimen_id) references lot_specimen (id)
);
