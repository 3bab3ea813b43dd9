-- What wears a coat is counted in km too.
alter table happening
    drop constraint happening_kind_is_known,
    add constraint happening_kind_is_known
        check (kind in ('applied', 'washed', 'dosed', 'topped', 'gauge-checked', 'weather-noted', 'odometer')),
    add constraint happening_odometer_says_how_far check (kind <> 'odometer' or note ~ '^[0-9]');

-- Dates of a study that has begun are moved before they come, and looks are added to it; why is kept.
create table date_moved (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    from_day integer,
    to_day integer not null,
    why text not null,
    moved_at timestamptz not null default now(),
    moved_by text not null,
    page_key uuid not null,
    constraint date_is_moved_once unique (page_key),
    constraint date_is_moved_somewhere check (from_day is distinct from to_day),
    constraint date_moves_within_ten_years check (to_day between 0 and 3660),
    constraint date_is_moved_with_a_reason check (length(btrim(why)) between 1 and 200)
);
create index date_moved_by_study on date_moved (study_id);
comment on table date_moved is 'Visits of a study that were moved before they came, or added to it, each with its reason. Never rewritten.';
comment on column date_moved.from_day is 'The day that it was planned for; null for a look that was added.';
create trigger date_moved_is_never_rewritten before update or delete on date_moved
    for each row execute function refuse_rewriting_plans();
