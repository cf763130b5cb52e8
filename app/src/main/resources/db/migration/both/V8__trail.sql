-- Where the trail ends. Who adds a line holds this row until the act is kept, so lines follow one another however many act at once.
-- Lines before keyed_from are chained without a key; the seal is under the key, so lines that are cut off at the end are missed.
create table trail_end (
    only_one int primary key,
    last_id bigint not null,
    digest varchar(64) not null,
    keyed_from bigint not null,
    seal varchar(64) not null
);
insert into trail_end (only_one, last_id, digest, keyed_from, seal)
    select 1, coalesce(max(id), 0), coalesce((select digest from audit order by id desc fetch first row only), ''),
        coalesce(max(id), 0) + 1, '' from audit;
