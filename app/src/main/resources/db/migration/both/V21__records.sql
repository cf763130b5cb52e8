-- Which records a response took.
create table record_choice (
    response bigint not null,
    -- Where its answer stands: the code of the question, with the roster and the number of the entry before it.
    slot varchar(140) not null,
    -- Receipt of the record.
    record varchar(32) not null,
    primary key (response, slot)
);
create index record_choice_by_record on record_choice (record);

-- Interviews that were begun out of another one to add a record there.
create table record_adding (
    interview_id varchar(64) primary key references interview (id),
    for_interview varchar(64) not null references interview (id),
    slot varchar(140) not null
);
create index record_adding_for on record_adding (for_interview);
