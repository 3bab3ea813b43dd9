-- What a reviewer says against derived advice, of an afternoon too.
alter table overruled
    alter column study_id drop not null,
    add column comparison_id bigint references comparison,
    add constraint overruled_has_one_source check (num_nonnulls(study_id, comparison_id) = 1);
create index overruled_by_comparison on overruled (comparison_id, id desc);
