-- A revision of the Kit, so that a page that has seen its instruments needs not ask for them again.
create table kit_revision (
    only_one boolean primary key default true,
    revision bigint not null default 0,
    constraint kit_has_one_revision check (only_one)
);
comment on table kit_revision is 'One row: how often instruments or their checks have changed.';
insert into kit_revision default values;

create function mark_kit_changed() returns trigger language plpgsql as $$
begin
    update kit_revision set revision = revision + 1;
    return null;
end $$;
create trigger kit_changes_with_instruments after insert or update or delete on instrument
    for each statement execute function mark_kit_changed();
create trigger kit_changes_with_checks after insert or update or delete on instrument_check
    for each statement execute function mark_kit_changed();

-- Afternoons are published as studies are.
alter table edition
    alter column study_id drop not null,
    add column comparison_id bigint references comparison,
    add constraint edition_has_one_source check (num_nonnulls(study_id, comparison_id) = 1),
    add constraint edition_is_counted_by_comparison unique (comparison_id, number);
create index edition_by_comparison on edition (comparison_id, number desc);
