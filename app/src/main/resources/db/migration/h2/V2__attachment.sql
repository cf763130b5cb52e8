-- Files that respondents give; they belong to the answer that names their key.
create table attachment (
    file_key varchar(64) primary key,
    name varchar(400) not null,
    bytes bigint not null,
    media_type varchar(200) not null,
    content blob not null,
    given_at timestamp with time zone not null
);

-- The text beside an "other" option is kept at the question's code with .other behind it.
alter table answer alter column question varchar(80);
