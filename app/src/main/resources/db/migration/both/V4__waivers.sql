-- Who answers for a claim that is not proved; taken back, not removed.
create table waiver (
    id bigint generated always as identity primary key,
    questionnaire_id bigint not null references questionnaire (id),
    claim varchar(64) not null,
    place varchar(400) not null,
    reason varchar(1000) not null,
    revision int not null,
    author varchar(64) not null,
    made_at timestamp with time zone not null,
    taken_back_by varchar(64),
    taken_back_at timestamp with time zone
);
