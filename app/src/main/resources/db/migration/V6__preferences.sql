-- What a maker told once: the drawer of resistors, and what is to come.
create table preference (
    name varchar(40) primary key,
    told varchar(4000) not null
);
