-- A lot's blend (formulation, colour masterbatch and its share) is part of what makes a series one.
alter table lot
  add column masterbatch varchar(60) not null default '',
  add column masterbatch_share double not null default 0;

alter table evidence_series
  add column formulation varchar(40) not null default '',
  add column masterbatch varchar(60) not null default '',
  add column masterbatch_share double not null default 0,
  add constraint series_of_blend unique (
    product_id, colour, property, method, basis, orientation, conditioning, rate, design, process, setup,
    formulation, masterbatch, masterbatch_share);
alter table evidence_series drop index series_key;

-- A series of before is that of the formulation most of its lots were made by, so that its baseline stays with them.
update evidence_series s
  join (
    select series_id, formulation,
           row_number() over (partition by series_id order by count(*) desc, max(made_on) desc) as place
      from (select p.series_id, p.made_on, l.formulation
              from evidence_point p join lot l on l.id = p.lot_id) as made
     group by series_id, formulation) as most on most.series_id = s.id and most.place = 1
   set s.formulation = most.formulation;

-- The others begin series of their own.
insert into evidence_series (
    product_id, colour, property, method, basis, orientation, conditioning, rate, design, process, setup, formulation)
  select distinct s.product_id, s.colour, s.property, s.method, s.basis, s.orientation, s.conditioning, s.rate, s.design,
         s.process, s.setup, l.formulation
    from evidence_point p
    join evidence_series s on s.id = p.series_id
    join lot l on l.id = p.lot_id
   where l.formulation <> s.formulation and p.taken_off = 0;
update evidence_point p
  join lot l on l.id = p.lot_id
  join evidence_series s on s.id = p.series_id
  join evidence_series o
    on o.product_id = s.product_id and o.colour = s.colour and o.property = s.property and o.method = s.method
   and o.basis = s.basis and o.orientation = s.orientation and o.conditioning = s.conditioning and o.rate = s.rate
   and o.design = s.design and o.process = s.process and o.setup = s.setup and o.formulation = l.formulation
   set p.series_id = o.id
 where l.formulation <> s.formulation and p.taken_off = 0;

-- A diameter log belongs to no lot until the whole of it has streamed in, so that it locks none.
alter table intake_log modify column lot_id bigint null;

-- Specimens added to a set whose results were known: another look at the same lot, which is said wherever the verdict is.
alter table lot_specimen_set add column further_of bigint null;

-- Fibres and hard fillers wear a nozzle: their product is asked for the nozzle that stands it.
alter table product add column filled tinyint(1) not null default 0;
update product set filled = 1 where lower(material) regexp 'fibre|fiber|filled';
