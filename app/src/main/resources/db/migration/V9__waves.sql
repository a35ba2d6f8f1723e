-- What sums up the changes of a line with many of them, so that a picture of the whole record needs few rows. Level 0 is the finest.
create table wave_block (
    record_id bigint not null references record (id) on delete cascade,
    line int not null,
    level int not null,
    first_tick bigint not null,
    last_tick bigint not null,
    packed blob not null,
    primary key (record_id, line, level, first_tick)
);
create index edge_block_first on edge_block (record_id, line, first_tick desc);
