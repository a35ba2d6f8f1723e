alter table transfer_block add column first_tick bigint default 0 not null;
alter table transfer_block add column last_tick bigint default 9223372036854775807 not null;
