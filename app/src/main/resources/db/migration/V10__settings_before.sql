-- What a setting was before it was changed: a lot is held to what was in force when it was made.
create table plan_setting_before (
  id bigint not null auto_increment primary key,
  name varchar(40) not null,
  typed varchar(60) not null,
  changed_by varchar(40) not null,
  changed_at datetime(3) not null
);
