-- What was seen is one line in the words of core.measure, so that a new measure needs no column and no migration.
alter table reading disable trigger user;
alter table reading
    drop constraint reading_is_physical,
    add column seen text,
    add column apart text not null default '';
update reading set
    seen = case measure
        when 'drop' then 'amount=' || trim_scale(amount) || ';width=' || trim_scale(width_mm)
        when 'grade' then 'kind=' || water_kind || ';amount=' || trim_scale(amount)
        else 'amount=' || trim_scale(amount) end,
    apart = case measure when 'grade' then kept_by else '' end;
alter table reading enable trigger user;
drop index reading_stands_once;
create unique index reading_stands_once
    on reading (study_id, section_id, day, stage, measure, repeat, apart) where struck_at is null;
alter table reading
    alter column seen set not null,
    drop column width_mm,
    drop column water_kind,
    add constraint reading_measure_is_a_word check (measure ~ '^[a-z][a-z0-9-]{0,39}$'),
    add constraint reading_reads_as_its_parts check (
        length(seen) <= 600 and seen ~ '^[a-z][a-z0-9-]*=[^;=]+(;[a-z][a-z0-9-]*=[^;=]+)*$'),
    add constraint reading_stands_apart_by_who_kept_it check (apart in ('', kept_by)),
    add constraint reading_is_physical check (case measure
        when 'pull' then amount between 0.1 and 200 and seen ~ '^amount=[0-9.]+$'
        when 'drop' then amount between 0.05 and 10 and seen ~ '^amount=[0-9.]+;width=[0-9.]+$'
            and split_part(seen, '=', 3)::numeric between 0.2 and 30
        when 'left-behind' then amount between 0 and 2000 and seen ~ '^amount=[0-9.]+$'
        when 'grade' then amount in (0, 1, 2, 3, 4) and seen ~ '^kind=(repels|sheets);amount=[0-4]$'
        when 'gloss' then amount between 0 and 200 and seen ~ '^amount=[0-9.]+$'
        else amount between 0 and 1000000 end);
comment on column reading.amount is 'The first number of what was seen, for sums.';
comment on column reading.seen is 'What was seen, part by part: amount=2.12;width=1.6. docs/formats.md.';
comment on column reading.apart is 'Who read it, where what several people read of one place stands apart; else empty.';

alter table planned_measure
    drop constraint planned_measure_is_known,
    add constraint planned_measure_is_a_word check (measure ~ '^[a-z][a-z0-9-]{0,39}$');

-- A place need not be taped: it may be a named part of something, an item, or a run. Such places lie on a sketch, which is no bed of the reviewer's.
alter table section
    add column name text not null default '',
    add constraint section_name_is_a_line check (name = btrim(name) and length(name) <= 60);
comment on column section.name is 'What a place that is no taped section is called: left half, jar 2. It has no area. Else empty.';
alter table bed
    drop constraint bed_kind_is_known,
    add constraint bed_kind_is_known
        check (kind in ('flank', 'roof', 'bonnet', 'tailgate', 'half', 'wheel', 'board', 'other', 'places'));
