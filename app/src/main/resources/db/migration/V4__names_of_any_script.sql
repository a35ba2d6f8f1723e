-- A name has 80 characters; one outside the basic plane takes two places.
alter table plan alter column name set data type varchar(160);
alter table plan_revision alter column done set data type varchar(800);
