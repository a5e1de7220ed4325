-- Limits follow each lot's n: how many specimens the baseline's own lots stand for, and which rules were signed with it.
-- Where the n is null the baseline was signed before, and its limits stay the same for every n, as they were signed.
alter table drift_baseline add column size double;
alter table drift_baseline
  add column rules varchar(400) not null default 'BEYOND_LIMITS EIGHT_ON_ONE_SIDE SPREAD_BEYOND_LIMIT';
