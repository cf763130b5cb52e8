alter table interview add column furthest int default 0 not null;

-- Long random names for an interview, for coming back from another device.
create table way_back (
    token varchar(64) primary key,
    interview_id varchar(64) not null references interview (id),
    made_at timestamp with time zone not null
);

-- Links that one person uses once; the interview is the one begun with it.
create table invitation (
    token varchar(64) primary key,
    questionnaire_id bigint not null references questionnaire (id),
    made_at timestamp with time zone not null,
    interview_id varchar(64) references interview (id)
);

-- The simulated mailbox.
create table message (
    id bigint generated always as identity primary key,
    sent_to varchar(320) not null,
    subject varchar(400) not null,
    text text not null,
    sent_at timestamp with time zone not null
);

create table drill (
    id bigint generated always as identity primary key,
    questionnaire_id bigint not null references questionnaire (id),
    name varchar(200) not null,
    link varchar(4000) not null,
    answers text not null,
    today date not null,
    asked text not null,
    outcome varchar(64) not null,
    author varchar(64) not null,
    made_at timestamp with time zone not null
);
