-- The languages that a release is given out in, separated by commas; the source language alone where empty.
alter table release add column languages varchar(400) default '' not null;
-- Waivers that it was released with, one a line.
alter table release add column waived text default '' not null;
alter table release add column signed_by varchar(64) default '' not null;
-- open, closed (nobody begins any more) or withdrawn (nobody goes on either); the message is for respondents.
alter table release add column state varchar(16) default 'open' not null;
alter table release add column message varchar(1000) default '' not null;

alter table interview add column language varchar(35) default '' not null;

-- How a questionnaire is given out.
create table offer (
    questionnaire_id bigint primary key references questionnaire (id),
    address varchar(80) not null unique,
    opens varchar(40) not null,
    closes varchar(40) not null,
    zone varchar(64) not null,
    most_responses int not null,
    may_be_embedded boolean not null
);

-- A second person's word for a revision.
create table sign_off (
    questionnaire_id bigint not null references questionnaire (id),
    revision int not null,
    author varchar(64) not null,
    note varchar(1000) not null,
    made_at timestamp with time zone not null,
    primary key (questionnaire_id, revision, author)
);

-- What the workspace asks for.
create table setting (
    name varchar(64) primary key,
    setting_value varchar(400) not null
);

-- What was said about a row of a draft; settled, not removed.
create table remark (
    id bigint generated always as identity primary key,
    questionnaire_id bigint not null references questionnaire (id),
    place varchar(80) not null,
    text varchar(2000) not null,
    revision int not null,
    author varchar(64) not null,
    made_at timestamp with time zone not null,
    settled_by varchar(64),
    settled_at timestamp with time zone
);

-- Append-only; each line carries a digest of itself and the line before it, so that a change is found.
create table audit (
    id bigint primary key,
    questionnaire varchar(64) not null,
    author varchar(64) not null,
    did varchar(1000) not null,
    made_at timestamp with time zone not null,
    digest varchar(64) not null
);

alter table invitation add column email varchar(320) default '' not null;
alter table invitation add column sent_at timestamp with time zone;
alter table invitation add column reminded_at timestamp with time zone;
