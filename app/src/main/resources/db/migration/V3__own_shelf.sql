create table shelf_item (
    kind varchar(8) not null,
    id varchar(64) not null,
    version int not null,
    own boolean not null,
    off_shelf boolean default false not null,
    saved_at timestamp with time zone not null,
    document clob not null,
    primary key (kind, id, version)
);
