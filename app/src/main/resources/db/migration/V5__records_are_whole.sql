-- A record counts once it is whole; those of before were stored in one go.
alter table record add column whole boolean default true not null;
