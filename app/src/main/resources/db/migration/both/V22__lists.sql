-- Tables whose rows are the responses of a questionnaire, each version that was brought, the last one the present.
create table list_version (
    questionnaire_id bigint not null references questionnaire (id),
    number int not null,
    file_name varchar(200) not null,
    all_rows int not null,
    new_rows int not null,
    gone_rows int not null,
    brought_by varchar(64) not null,
    brought_at timestamp with time zone not null,
    primary key (questionnaire_id, number)
);
-- Rows that were gone with a version although somebody had chosen them.
create table list_gone (
    questionnaire_id bigint not null references questionnaire (id),
    number int not null,
    receipt varchar(32) not null,
    label varchar(400) not null,
    primary key (questionnaire_id, number, receipt)
);
