-- What a length's verdict says was put right, and a scatter on its limit is not beyond it: what is stored of undecided lots is made
-- anew.
insert into site_revision (scope, revision) values ('register', 1) on duplicate key update revision = revision + 1;
