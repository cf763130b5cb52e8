-- Who may sign in. A role of one's own holds for every questionnaire; further ones, for one each, stand in person_role.
create table person (
    name varchar(64) primary key,
    shown varchar(200) not null,
    email varchar(320) not null,
    -- A slow hash; empty until the person has chosen a password.
    password varchar(200) not null,
    role varchar(16) not null,
    administrator boolean not null,
    disabled boolean not null,
    -- The key of the second factor; empty where there is none.
    second_factor varchar(64) not null,
    -- The newest half minute of which a code was used, so that none is used twice.
    used_step bigint not null,
    made_at timestamp with time zone not null
);
create table person_role (
    person varchar(64) not null references person (name),
    questionnaire_id bigint not null references questionnaire (id),
    role varchar(16) not null,
    primary key (person, questionnaire_id)
);
-- Links by which a person chooses a password, once. Only a digest is kept, so that who reads the table cannot use them.
create table person_link (
    digest varchar(64) primary key,
    person varchar(64) not null references person (name),
    made_at timestamp with time zone not null,
    ends_at timestamp with time zone not null
);
