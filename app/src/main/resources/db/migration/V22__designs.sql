-- Specimen designs that engineers added: a row never changes but that it is withdrawn; another drawing is the next revision.
create table design_own (
  id bigint not null auto_increment primary key,
  name varchar(40) not null,
  request varchar(40) not null,
  called varchar(80) not null,
  revision int not null,
  methods varchar(1500) not null,
  shape varchar(20) not null,
  width double not null,
  thickness double not null,
  length double not null,
  volume double not null,
  scale double not null,
  notched boolean not null,
  looks varchar(40) not null,
  narrowest varchar(100) null,
  held varchar(200) not null,
  reason varchar(300) not null,
  added_by varchar(40) not null,
  added_at datetime(3) not null,
  withdrawn_by varchar(40) null,
  withdrawn_at datetime(3) null,
  withdrawn_why varchar(300) null,
  constraint own_name unique (name),
  constraint own_request unique (request),
  constraint own_revision unique (called, revision)
);

-- Drawing and print file as they came.
create table design_file (
  id bigint not null auto_increment primary key,
  design_id bigint not null,
  part varchar(20) not null,
  file_name varchar(200) not null,
  sha256 varchar(64) not null,
  content mediumblob not null,
  constraint file_of_design unique (design_id, part),
  constraint design_of_file foreign key (design_id) references design_own (id)
);
