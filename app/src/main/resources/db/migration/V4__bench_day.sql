create table step_mark (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    day integer not null,
    step text not null,
    passed boolean not null default false,
    note text not null default '',
    given numeric,
    used text not null default '',
    at timestamptz not null,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    undone_at timestamptz,
    undone_by text,
    constraint step_mark_is_kept_once unique (page_key),
    constraint step_mark_lies_within_ten_years check (day between 0 and 3660),
    constraint step_mark_names_a_step check (step ~ '^[A-Za-z0-9/-]{1,100}$'),
    constraint step_mark_note_is_short check (length(note) <= 200 and length(used) <= 200),
    constraint step_mark_gives_something check (given > 0 and given <= 10000),
    constraint step_mark_says_why_a_gate_was_passed check (not passed or length(btrim(note)) > 0),
    constraint step_mark_was_not_made_in_the_future check (at <= kept_at + interval '1 second'),
    constraint step_mark_is_undone_by_somebody check (num_nonnulls(undone_at, undone_by) in (0, 2))
);
create unique index step_mark_stands_once on step_mark (study_id, day, step) where undone_at is null;
comment on table step_mark is 'A step of a day''s run sheet that was taken. Undone, never deleted.';
comment on column step_mark.at is 'When it was taken, by this server''s clock: a device that was offline says how long ago.';
comment on column step_mark.given is 'What was put on: sprays, caps or pumps where the label counts in them, else mL.';
comment on column step_mark.used is 'Towel or media, in words.';
comment on column step_mark.passed is 'A gate that was walked past, with the reason in note.';

create table conditions (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    day integer not null,
    air_c numeric not null,
    humidity numeric not null,
    panel_c numeric not null,
    wind_m_s numeric,
    light text not null default '',
    hardness_mg_l numeric,
    dark_at timestamptz,
    at timestamptz not null,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    constraint conditions_are_kept_once unique (page_key),
    constraint conditions_lie_within_ten_years check (day between 0 and 3660),
    constraint conditions_air_is_earthly check (air_c between -60 and 60),
    constraint conditions_humidity_is_a_percentage check (humidity > 0 and humidity <= 100),
    constraint conditions_panel_is_earthly check (panel_c between -60 and 120),
    constraint conditions_wind_blows check (wind_m_s between 0 and 60),
    constraint conditions_light_is_known check (light in ('', 'sun', 'shade', 'indoors')),
    constraint conditions_hardness_is_water check (hardness_mg_l between 0 and 2000)
);
comment on column conditions.hardness_mg_l is 'Of the water, as calcium carbonate.';
comment on column conditions.dark_at is 'When the light goes, as somebody expects it.';
create index conditions_by_study on conditions (study_id, at);
comment on table conditions is 'Air and panel as they were noted; every step taken after counts as taken under the latest.';
comment on column conditions.hardness_mg_l is 'Of the wash water, mg CaCO3 a litre.';

create table deviation (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    day integer not null,
    section_id bigint,
    kind text not null,
    words text not null,
    at timestamptz not null,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    undone_at timestamptz,
    undone_by text,
    constraint deviation_is_kept_once unique (page_key),
    constraint deviation_lies_within_ten_years check (day between 0 and 3660),
    constraint deviation_of_a_section_of_its_study foreign key (section_id, study_id) references section (id, study_id),
    constraint deviation_kind_is_known check (kind in ('bare-gate', 'residue-gate', 'cure-gate', 'weather', 'noted')),
    constraint deviation_says_what check (length(btrim(words)) between 1 and 200),
    constraint deviation_is_undone_by_somebody check (num_nonnulls(undone_at, undone_by) in (0, 2))
);
create index deviation_by_study on deviation (study_id);
comment on table deviation is 'What went otherwise than it should; the footing carries it. Undone, never deleted.';

alter table application
    add column section_id bigint,
    add column given text not null default '',
    add constraint application_of_a_section_of_its_study foreign key (section_id, study_id)
        references section (id, study_id),
    add constraint application_given_is_short check (length(given) <= 200);
comment on column application.section_id is 'The section, where each was noted by itself; null for all of the contender''s.';
comment on column application.given is 'What was given there, in words: sprays or mL, towel, media.';

create table instrument (
    id bigint generated always as identity primary key,
    name text not null,
    probe text not null,
    address text not null,
    pattern text not null,
    unit text not null,
    asks text not null default '',
    check_value numeric,
    check_tolerance numeric,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    revision integer not null default 1,
    retired_at timestamptz,
    constraint instrument_is_made_once unique (page_key),
    constraint instrument_has_a_name check (length(btrim(name)) between 1 and 60),
    constraint instrument_probe_is_known check (probe in ('force', 'scale', 'gloss', 'air', 'surface', 'ph')),
    constraint instrument_address_is_a_port
        check (address ~ '^tcp:[A-Za-z0-9.:_-]{1,100}:\d{1,5}$' or address ~ '^serial:[A-Za-z0-9/._-]{1,100}@\d{3,7}$'),
    constraint instrument_pattern_wants_a_value check (pattern like '%{value}%' and length(pattern) <= 200),
    constraint instrument_asks_briefly check (length(asks) <= 40),
    constraint instrument_check_is_whole
        check (num_nonnulls(check_value, check_tolerance) in (0, 2) and coalesce(check_tolerance, 1) > 0)
);
create unique index instrument_is_named_once on instrument (lower(name)) where retired_at is null;
comment on table instrument is 'A link to an instrument: where it speaks, how its lines read, and what it should say to a known thing.';
comment on column instrument.asks is 'Sent to it before it speaks, if it wants asking; empty if it speaks by itself.';

create table instrument_check (
    id bigint generated always as identity primary key,
    instrument_id bigint not null references instrument,
    amount numeric not null,
    should_be numeric not null,
    tolerance numeric not null,
    at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    constraint instrument_check_is_kept_once unique (page_key)
);
create index instrument_check_by_instrument on instrument_check (instrument_id, at);
comment on table instrument_check is 'What an instrument said to a known thing.';

create table take (
    id uuid primary key,
    instrument_id bigint not null references instrument,
    study_id bigint references study,
    amount numeric not null,
    second numeric,
    hertz numeric,
    samples real[],
    said text not null,
    at timestamptz not null default now(),
    kept_by text not null,
    constraint take_trace_has_a_pace check (num_nonnulls(hertz, samples) in (0, 2) and coalesce(hertz, 1) > 0),
    constraint take_trace_is_of_a_length check (samples is null or cardinality(samples) between 1 and 20000)
);
comment on table take is 'What an instrument gave, with its whole trace if it has one.';
comment on column take.said is 'The final raw line.';

alter table reading add column take_id uuid references take;
comment on column reading.take_id is 'The take that filled the field; null for a reading that was typed.';

create table section_photo (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    section_id bigint,
    day integer not null,
    stage text not null,
    note text not null default '',
    picture bytea not null,
    small bytea not null,
    width integer not null,
    height integer not null,
    at timestamptz not null,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    taken_back_at timestamptz,
    taken_back_by text,
    constraint section_photo_is_kept_once unique (page_key),
    constraint section_photo_of_a_section_of_its_study foreign key (section_id, study_id)
        references section (id, study_id),
    constraint section_photo_lies_within_ten_years check (day between 0 and 3660),
    constraint section_photo_stage_is_known
        check (stage in ('bare', 'fresh', 'arrival', 'rinsed', 'foamed', 'washed', 'rewetted')),
    constraint section_photo_note_is_short check (length(note) <= 200),
    constraint section_photo_is_small_enough
        check (octet_length(picture) <= 4000000 and octet_length(small) <= 400000),
    constraint section_photo_is_taken_back_by_somebody check (num_nonnulls(taken_back_at, taken_back_by) in (0, 2))
);
create index section_photo_by_study on section_photo (study_id, day);
comment on table section_photo is 'A photo of a section, or of the whole bed where it names none; as JPEG with nothing of the camera in it.';

create trigger study_changes_with_new_marks after insert on step_mark
    referencing new table as changed for each statement execute function mark_study_changed();
create trigger study_changes_with_undone_marks after update on step_mark
    referencing new table as changed for each statement execute function mark_study_changed();
create trigger study_changes_with_conditions after insert on conditions
    referencing new table as changed for each statement execute function mark_study_changed();
create trigger study_changes_with_new_deviations after insert on deviation
    referencing new table as changed for each statement execute function mark_study_changed();
create trigger study_changes_with_undone_deviations after update on deviation
    referencing new table as changed for each statement execute function mark_study_changed();
create trigger study_changes_with_new_photos after insert on section_photo
    referencing new table as changed for each statement execute function mark_study_changed();
create trigger study_changes_with_photos_taken_back after update on section_photo
    referencing new table as changed for each statement execute function mark_study_changed();

alter table happening
    add column undone_at timestamptz,
    add column undone_by text,
    add constraint happening_is_undone_by_somebody check (num_nonnulls(undone_at, undone_by) in (0, 2));
create trigger study_changes_with_undone_happenings after update on happening
    referencing new table as changed for each statement execute function mark_study_changed();

create function refuse_rewriting_the_day() returns trigger language plpgsql as $$
begin
    if tg_op = 'UPDATE' and (to_jsonb(old) ->> 'undone_at') is null
        and (to_jsonb(new) - '{undone_at,undone_by}'::text[]) = (to_jsonb(old) - '{undone_at,undone_by}'::text[]) then
        return new;
    end if;
    raise exception 'what was noted on a day is never rewritten or deleted; undo it and note it anew'
        using errcode = 'restrict_violation';
end $$;
create trigger step_mark_is_never_rewritten before update or delete on step_mark
    for each row execute function refuse_rewriting_the_day();
create trigger deviation_is_never_rewritten before update or delete on deviation
    for each row execute function refuse_rewriting_the_day();
create trigger conditions_are_never_rewritten before update or delete on conditions
    for each row execute function refuse_rewriting_the_day();
create trigger take_is_never_rewritten before update or delete on take
    for each row execute function refuse_rewriting_the_day();

-- What a study's products hold and are is part of its day: a change raises the revision as a new label does, under layers too.
create or replace function mark_studies_of_label_changed() returns trigger language plpgsql as $$
begin
    update study set revision = revision + 1 where id in (
        select c.study_id from contender c join changed n on n.product_id = c.product_id
        union
        select c.study_id from contender_layer k join changed n on n.product_id = k.product_id
        join contender c on c.id = k.contender_id);
    return null;
end $$;
create trigger studies_change_with_calibrations after insert on calibration
    referencing new table as changed for each statement execute function mark_studies_of_label_changed();
create trigger studies_change_with_strips after insert on ph_strip
    referencing new table as changed for each statement execute function mark_studies_of_label_changed();
create index contender_layer_by_product on contender_layer (product_id);

alter table planned_measure
    drop constraint planned_measure_is_known,
    add constraint planned_measure_is_known check (measure in ('pull', 'drop', 'left-behind', 'grade', 'gloss'));
alter table reading
    drop constraint reading_is_physical,
    add constraint reading_is_physical check (case measure
        when 'pull' then amount between 0.1 and 200 and width_mm is null and water_kind is null
        when 'drop' then amount between 0.05 and 10 and width_mm between 0.2 and 30 and width_mm is not null
            and water_kind is null
        when 'left-behind' then amount between 0 and 2000 and width_mm is null and water_kind is null
        when 'grade' then amount in (0, 1, 2, 3, 4) and width_mm is null
            and water_kind in ('repels', 'sheets') and water_kind is not null
        when 'gloss' then amount between 0 and 200 and width_mm is null and water_kind is null
        else false end);
comment on column reading.amount is 'As typed: N, mm of height, g, a grade from 0 to 4, or GU at 60°.';

alter table ph_strip
    add column meter text not null default '',
    add constraint ph_strip_meter_name_is_short check (length(meter) <= 60);
comment on table ph_strip is 'A pH that was read, on a strip or by a meter.';
comment on column ph_strip.meter is 'The instrument it was read with; empty for a strip.';
