-- More rules may speak at one lot: an answer is to all of them, in words and by identity.
alter table drift_answer modify column words varchar(1000) not null;
alter table drift_answer modify column identities varchar(1000) not null default '';
-- What people say changed, beside what the records show by themselves: drawn on the charts of its product, or of all.
create table drift_event (
  id bigint not null auto_increment primary key,
  product_id bigint,
  happened_on date not null,
  kind varchar(20) not null,
  words varchar(300) not null,
  entered_by varchar(40) not null,
  entered_at datetime(3) not null,
  constraint event_of_product foreign key (product_id) references product (id),
  index event_by_day (happened_on)
);
