create table questionnaire (
    id bigint generated always as identity primary key,
    code varchar(64) not null unique,
    created_at timestamp with time zone not null
);

-- Append-only: a revision is never changed or removed.
create table revision (
    questionnaire_id bigint not null references questionnaire (id),
    number int not null,
    document blob not null,
    command varchar(400) not null,
    author varchar(64) not null,
    made_at timestamp with time zone not null,
    undo_to int,
    redo_to int,
    primary key (questionnaire_id, number)
);

-- Rows never change but for closing a release.
create table release (
    id bigint generated always as identity primary key,
    questionnaire_id bigint not null references questionnaire (id),
    number int not null,
    revision int not null,
    document blob not null,
    proof clob not null,
    notes varchar(2000) not null,
    author varchar(64) not null,
    made_at timestamp with time zone not null,
    token varchar(64) not null unique,
    unique (questionnaire_id, number)
);

create table interview (
    id varchar(64) primary key,
    release_id bigint not null references release (id),
    today date not null,
    link varchar(4000) not null,
    raw clob not null,
    started clob not null,
    passed clob not null,
    began_at timestamp with time zone not null,
    updated_at timestamp with time zone not null
);

create table page_visit (
    interview_id varchar(64) not null references interview (id),
    page varchar(64) not null,
    left_at timestamp with time zone not null
);

create table response (
    receipt varchar(32) primary key,
    interview_id varchar(64) not null unique references interview (id),
    release_id bigint not null references release (id),
    outcome varchar(64) not null,
    sent_at timestamp with time zone not null
);

create table answer (
    receipt varchar(32) not null references response (receipt),
    question varchar(64) not null,
    given clob not null,
    primary key (receipt, question)
);
