-- Accounts that are managed: disabled, made to change their password, signed out everywhere; and a record of who did what.
alter table account
  add column disabled tinyint(1) not null default 0,
  add column must_change tinyint(1) not null default 0,
  add column epoch int not null default 0;

create table account_event (
  id bigint not null auto_increment primary key,
  happened_at datetime(3) not null,
  account varchar(60) not null,
  kind varchar(20) not null,
  words varchar(300) not null,
  by_account varchar(60) not null,
  address varchar(60) not null,
  index event_order (happened_at),
  index event_of_account (account, happened_at)
);
