-- Every message stands here from the moment of what caused it; it is delivered afterwards, or listed as not delivered.
alter table message add column message_id varchar(120) default '' not null;
alter table message add column html clob default '' not null;
-- The interview whose answers it may tell, so that it goes with them; empty for none.
alter table message add column interview_id varchar(64) default '' not null;
-- waiting, trying, delivered, failed
alter table message add column state varchar(16) default 'delivered' not null;
alter table message add column tries int default 0 not null;
-- When it is tried next, or was delivered.
alter table message add column due_at timestamp with time zone;
alter table message add column fault varchar(400) default '' not null;
update message set message_id = concat(id, '@before.orthogon'), due_at = sent_at;
alter table message alter column due_at set not null;
create unique index message_by_id on message (message_id);
create index message_of_interview on message (interview_id);
create index message_to on message (sent_to, state, due_at);
create index message_by_state on message (state, id);

-- What is done later, as the scheduler keeps it.
create table scheduled_tasks (
    task_name varchar(255) not null,
    task_instance varchar(255) not null,
    task_data blob,
    execution_time timestamp with time zone not null,
    picked boolean not null,
    picked_by varchar(255),
    last_success timestamp with time zone,
    last_failure timestamp with time zone,
    consecutive_failures int,
    last_heartbeat timestamp with time zone,
    version bigint not null,
    priority tinyint,
    primary key (task_name, task_instance)
);
create index scheduled_by_time on scheduled_tasks (execution_time);
create index scheduled_by_heartbeat on scheduled_tasks (last_heartbeat);
