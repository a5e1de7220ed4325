-- 500 series beside those of the demo, each with 200 of the lots of the demo's longest one: 100,000 lot results.
set @longest = (select series_id from evidence_point group by series_id order by count(*) desc, series_id limit 1);
create temporary table one as select * from evidence_series where id = @longest;
alter table one modify id bigint null;
delimiter //
create or replace procedure many_series()
begin
  declare i int default 1;
  while i <= 500 do
    update one set id = null, colour = concat('bench ', i);
    insert into evidence_series select * from one;
    set i = i + 1;
  end while;
end //
delimiter ;
call many_series();
drop procedure many_series;
create temporary table some as
  select lot_id, made_on, n, mean, sd, bounds, taken_off from evidence_point where series_id = @longest order by made_on limit 200;
insert into evidence_point (series_id, lot_id, made_on, n, mean, sd, bounds, taken_off)
  select s.id, p.lot_id, p.made_on, p.n, p.mean + rand(s.id * 1000 + p.lot_id) - 0.5, p.sd, p.bounds, p.taken_off
  from evidence_series s join some p where s.colour like 'bench %';
insert into site_revision (scope, revision)
  select concat('history-', product_id), 1 from evidence_series where id = @longest
  on duplicate key update revision = site_revision.revision + 1;
