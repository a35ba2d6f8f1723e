-- What a maker measured at a check of a plan. Belongs to what is measured: when that changes, it is shown no more.
create table measurement (
    plan_id bigint not null references plan (id) on delete cascade,
    check_key varchar(300) not null,
    told varchar(40) not null,
    measured double precision not null,
    measured_at timestamp with time zone not null,
    primary key (plan_id, check_key)
);
