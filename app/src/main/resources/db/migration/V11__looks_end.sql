-- A look ends when what was made for it is tested, and an error of exactly a tenth is not gross: what is stored of undecided
-- lots is made anew.
insert into site_revision (scope, revision) values ('register', 1) on duplicate key update revision = revision + 1;
