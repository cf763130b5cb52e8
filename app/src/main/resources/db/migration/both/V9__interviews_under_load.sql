-- Counts how often an interview was kept, so that of two requests at the same moment none writes over the other.
alter table interview add column version int default 0 not null;

-- The interview that a file was given in; empty for those from before. Its files are counted, and go when it names them no more.
alter table attachment add column interview_id varchar(64);
create index attachment_of_interview on attachment (interview_id);

create index interview_of_release on interview (release_id);
create index response_of_release on response (release_id, sent_at);
create index invitation_of_interview on invitation (interview_id);
create index way_back_of_interview on way_back (interview_id);
create index page_visit_of_interview on page_visit (interview_id);
