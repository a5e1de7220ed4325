-- One series of 10,000 lots beside those of the demo, its limits signed from its first twenty with every chart and rule there is.
set @longest = (select series_id from evidence_point group by series_id order by count(*) desc, series_id limit 1);
set @lot = (select max(lot_id) from evidence_point where series_id = @longest);
create temporary table one_series as select * from evidence_series where id = @longest;
alter table one_series modify id bigint null;
update one_series set id = null, colour = 'bench long';
insert into evidence_series select * from one_series;
set @series = last_insert_id();
create temporary table one_lot as select * from lot where id = @lot;
alter table one_lot modify id bigint null;
delimiter //
create or replace procedure many_lots()
begin
  declare i int default 0;
  while i < 10000 do
    update one_lot set id = null, code = concat('LONG-', lpad(i, 5, '0')), state = 'RELEASED', made_on = date_add('1990-01-01', interval i day);
    insert into lot select * from one_lot;
    insert into evidence_point (series_id, lot_id, made_on, n, mean, sd, bounds, taken_off)
      select @series, l.id, l.made_on, if(i % 7 = 0, 3, 5), 50 + 0.5 * sin(i * 12.9898) + rand(i), 0.8 + 0.2 * rand(i + 7), 0, 0
      from lot l where l.code = concat('LONG-', lpad(i, 5, '0'));
    set i = i + 1;
  end while;
end //
delimiter ;
start transaction;
call many_lots();
commit;
drop procedure many_lots;
insert into drift_baseline (series_id, version, lots, centre, sigma, mean_range, range_upper, spread, size, rules, signed_by, signed_at, reason)
  select @series, 1, 20, 50.5, 0.45, 0.51, 1.66, 0.9, 4.6,
    'BEYOND_LIMITS TWO_OF_THREE_BEYOND_TWO FOUR_OF_FIVE_BEYOND_ONE EIGHT_ON_ONE_SIDE SIX_CLIMBING_OR_FALLING FOURTEEN_ALTERNATING FIFTEEN_WITHIN_ONE EIGHT_OUTSIDE_ONE_BOTH_SIDES RANGE_BEYOND_LIMIT SPREAD_BEYOND_LIMIT EWMA:0.2:2.962 CUSUM:0.5:5:2.5',
    'quality', now(), 'The first twenty of the bench.';
insert into drift_baseline_lot (baseline_id, lot_id, mean, sd, n)
  select last_insert_id(), p.lot_id, p.mean, p.sd, p.n from evidence_point p where p.series_id = @series order by p.made_on limit 20;
insert into site_revision (scope, revision)
  select concat('history-', product_id), 1 from evidence_series where id = @series
  on duplicate key update revision = site_revision.revision + 1;
select @series;
