-- How a response is found, and how far the work on it is.
alter table response add column number bigint generated always as identity;
alter table response add column questionnaire_id bigint;
update response set questionnaire_id = (select r.questionnaire_id from release r where r.id = response.release_id);
alter table response alter column questionnaire_id set not null;
alter table response add column language varchar(35) default '' not null;
update response set language = (select i.language from interview i where i.id = response.interview_id);
alter table response add column state varchar(32) default 'new' not null;
-- The account of the person in charge; empty for nobody.
alter table response add column in_charge varchar(64) default '' not null;
-- Whether its answers stand in answer_value; those from before are brought there when Orthogon starts.
alter table response add column indexed boolean default false not null;
create unique index response_by_number on response (number);
create index response_of_questionnaire on response (questionnaire_id, sent_at);
create index response_not_indexed on response (indexed);

-- What somebody notes about a response.
create table response_note (
    id bigint generated always as identity primary key,
    response bigint not null,
    author varchar(64) not null,
    text varchar(4000) not null,
    made_at timestamp with time zone not null
);
create index note_of_response on response_note (response);

-- How somebody reads the responses to a questionnaire: the one at hand has no name; those with a name are everybody's.
create table response_view (
    id bigint generated always as identity primary key,
    questionnaire_id bigint not null references questionnaire (id),
    name varchar(80) not null,
    author varchar(64) not null,
    settings varchar(20000) not null,
    unique (questionnaire_id, name, author)
);

-- The route of a response, by its digest in answer_route; empty for those that are not indexed.
alter table response add column route varchar(64) default '' not null;
create index response_by_route on response (questionnaire_id, route);
-- The page that an interview is on; empty once it is complete, and for those from before.
alter table interview add column page varchar(64) default '' not null;

-- How often answers to a question were refused, by what refused them.
create table answer_refusal (
    release_id bigint not null references release (id),
    code varchar(64) not null,
    kind varchar(16) not null,
    refused int not null,
    primary key (release_id, code, kind)
);
