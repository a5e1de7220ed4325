-- A signal is known by its rule, its side and the lot that its run begins with; an answer is to such signals, whatever they
-- are called. Rows of before have no identity: they get theirs when their series is worked out the next time, and until
-- then an answer stands for the words that it was given to.
alter table drift_signal add column identity varchar(120) not null default '';
alter table drift_answer add column identities varchar(600) not null default '';
