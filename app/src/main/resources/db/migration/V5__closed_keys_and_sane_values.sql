-- Who saw what a code stands for, and when. Contenders are numbered by their first codes, so that the order in which they were listed
-- says nothing.
create table names_seen (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    day integer not null,
    why text not null,
    sections text[] not null,
    seen_at timestamptz not null default now(),
    seen_by text not null,
    page_key uuid not null,
    constraint names_seen_are_kept_once unique (page_key),
    constraint names_seen_lie_within_ten_years check (day between 0 and 3660),
    constraint names_seen_for_a_known_reason check (why in ('planning', 'applying', 'noting', 'paper', 'file')),
    constraint names_seen_of_some_sections check (cardinality(sections) > 0)
);
create index names_seen_by_study on names_seen (study_id);
comment on table names_seen is 'That somebody knowingly saw what the codes of a study stand for while its key was closed.';
create trigger study_changes_with_names_seen after insert on names_seen
    referencing new table as changed for each statement execute function mark_study_changed();

alter table study add column key_opened_by text;
update study set key_opened_by = 'unknown' where key_opened_at is not null;
alter table study add constraint study_key_is_opened_by_somebody check (num_nonnulls(key_opened_at, key_opened_by) in (0, 2));

alter table contender drop constraint contender_number_stands_once, drop constraint contender_number_is_from_zero;
update contender c set number = 1000 + o.place from (
    select c.id, row_number() over (partition by c.study_id order by c.role = 'bare', min(length(s.code)), min(s.code)) - 1 as place
    from contender c left join lateral (
        select code from section where contender_id = c.id order by length(code), code limit 1) s on true
    group by c.id) o
where o.id = c.id;
update contender set number = number - 1000;
alter table contender
    add constraint contender_number_is_from_zero check (number between 0 and 99),
    add constraint contender_number_stands_once unique (study_id, number);
comment on column contender.number is 'In the order of the first codes, bare last; from 0.';

-- Days and times of a record lie between 1990 and 2199. What came in from beyond is brought to the nearest end, so that it can be seen and
-- corrected; before, one such value broke every page that met it.
create function our_day(day date) returns boolean language sql immutable as
    $$ select day between '1990-01-01' and '2199-12-31' $$;
create function our_time(at timestamptz) returns boolean language sql immutable as
    $$ select at >= '1990-01-01 00:00+00' and at < '2200-01-01 00:00+00' $$;
update application set kept_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', kept_at)) where not our_time(kept_at);
update application set undone_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', undone_at)) where not our_time(undone_at);
alter table application add constraint application_is_of_our_time check (our_time(kept_at) and our_time(undone_at));
update bed_strip set stripped_on = greatest('1990-01-01', least('2199-12-31', stripped_on)) where not our_day(stripped_on);
alter table bed_strip add constraint bed_strip_is_of_our_time check (our_day(stripped_on));
update bottle set come_by_on = greatest('1990-01-01', least('2199-12-31', come_by_on)) where not our_day(come_by_on);
update bottle set opened_on = greatest('1990-01-01', least('2199-12-31', opened_on)) where not our_day(opened_on);
update bottle set kept_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', kept_at)) where not our_time(kept_at);
alter table bottle add constraint bottle_is_of_our_time check (our_day(come_by_on) and our_day(opened_on) and our_time(kept_at));
update bundle set bought_on = greatest('1990-01-01', least('2199-12-31', bought_on)) where not our_day(bought_on);
alter table bundle add constraint bundle_is_of_our_time check (our_day(bought_on));
alter table conditions disable trigger user;
update conditions set at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', at)) where not our_time(at);
update conditions set kept_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', kept_at)) where not our_time(kept_at);
update conditions set dark_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', dark_at)) where not our_time(dark_at);
alter table conditions enable trigger user;
alter table conditions add constraint conditions_is_of_our_time check (our_time(at) and our_time(kept_at) and our_time(dark_at));
alter table deviation disable trigger user;
update deviation set at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', at)) where not our_time(at);
update deviation set kept_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', kept_at)) where not our_time(kept_at);
alter table deviation enable trigger user;
alter table deviation add constraint deviation_is_of_our_time check (our_time(at) and our_time(kept_at));
update exchange_rate set stated_on = greatest('1990-01-01', least('2199-12-31', stated_on)) where not our_day(stated_on);
alter table exchange_rate add constraint exchange_rate_is_of_our_time check (our_day(stated_on));
update forecast_hour set at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', at)) where not our_time(at);
alter table forecast_hour add constraint forecast_hour_is_of_our_time check (our_time(at));
update happening set kept_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', kept_at)) where not our_time(kept_at);
update happening set undone_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', undone_at)) where not our_time(undone_at);
alter table happening add constraint happening_is_of_our_time check (our_time(kept_at) and our_time(undone_at));
update instrument_check set at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', at)) where not our_time(at);
alter table instrument_check add constraint instrument_check_is_of_our_time check (our_time(at));
alter table label disable trigger user;
update label set kept_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', kept_at)) where not our_time(kept_at);
alter table label enable trigger user;
alter table label add constraint label_is_of_our_time check (our_time(kept_at));
update names_seen set seen_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', seen_at)) where not our_time(seen_at);
alter table names_seen add constraint names_seen_is_of_our_time check (our_time(seen_at));
update ph_strip set read_on = greatest('1990-01-01', least('2199-12-31', read_on)) where not our_day(read_on);
alter table ph_strip add constraint ph_strip_is_of_our_time check (our_day(read_on));
update pour set poured_on = greatest('1990-01-01', least('2199-12-31', poured_on)) where not our_day(poured_on);
update pour set kept_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', kept_at)) where not our_time(kept_at);
update pour set undone_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', undone_at)) where not our_time(undone_at);
alter table pour add constraint pour_is_of_our_time check (our_day(poured_on) and our_time(kept_at) and our_time(undone_at));
alter table reading disable trigger user;
update reading set kept_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', kept_at)) where not our_time(kept_at);
update reading set struck_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', struck_at)) where not our_time(struck_at);
alter table reading enable trigger user;
alter table reading add constraint reading_is_of_our_time check (our_time(kept_at) and our_time(struck_at));
update section_photo set at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', at)) where not our_time(at);
update section_photo set kept_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', kept_at)) where not our_time(kept_at);
alter table section_photo add constraint section_photo_is_of_our_time check (our_time(at) and our_time(kept_at));
alter table step_mark disable trigger user;
update step_mark set at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', at)) where not our_time(at);
update step_mark set kept_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', kept_at)) where not our_time(kept_at);
alter table step_mark enable trigger user;
alter table step_mark add constraint step_mark_is_of_our_time check (our_time(at) and our_time(kept_at));
update study set first_day = greatest('1990-01-01', least('2199-12-31', first_day)) where not our_day(first_day);
update study set made_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', made_at)) where not our_time(made_at);
update study set key_opened_at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', key_opened_at)) where not our_time(key_opened_at);
alter table study add constraint study_is_of_our_time check (our_day(first_day) and our_time(made_at) and our_time(key_opened_at));
alter table take disable trigger user;
update take set at = greatest('1990-01-01 00:00+00', least('2199-12-31 00:00+00', at)) where not our_time(at);
alter table take enable trigger user;
alter table take add constraint take_is_of_our_time check (our_time(at));

-- Names are one line of signs that can be seen. Where a name stands once, one that would now be another's takes its number.
create function is_a_line(name text) returns boolean language sql immutable as
    $$ select name !~ '[\u0001-\u001f\u007f-\u009f\u200b\u200e\u200f\u2028-\u202e\u2060-\u206f\ufeff]' $$;
create function as_a_line(name text) returns text language sql immutable as
    $$ select btrim(regexp_replace(name, '[\u0001-\u001f\u007f-\u009f\u200b\u200e\u200f\u2028-\u202e\u2060-\u206f\ufeff]+', ' ', 'g')) $$;
update product t set name = case
        when exists (select 1 from product o where o.id <> t.id and lower(as_a_line(o.name)) = lower(as_a_line(t.name)))
        then left(coalesce(nullif(as_a_line(name), ''), 'unnamed'), 40) || ' (' || id || ')'
        else coalesce(nullif(as_a_line(name), ''), 'unnamed') end
    where not is_a_line(name);
alter table product add constraint product_name_is_a_line check (is_a_line(name));
update bed set name = coalesce(nullif(as_a_line(name), ''), 'unnamed') where not is_a_line(name);
alter table bed add constraint bed_name_is_a_line check (is_a_line(name));
update vessel t set name = case
        when exists (select 1 from vessel o where o.id <> t.id and lower(as_a_line(o.name)) = lower(as_a_line(t.name)))
        then left(coalesce(nullif(as_a_line(name), ''), 'unnamed'), 40) || ' (' || id || ')'
        else coalesce(nullif(as_a_line(name), ''), 'unnamed') end
    where not is_a_line(name);
alter table vessel add constraint vessel_name_is_a_line check (is_a_line(name));
update bundle set name = coalesce(nullif(as_a_line(name), ''), 'unnamed') where not is_a_line(name);
alter table bundle add constraint bundle_name_is_a_line check (is_a_line(name));
update instrument t set name = case
        when exists (select 1 from instrument o where o.id <> t.id and lower(as_a_line(o.name)) = lower(as_a_line(t.name)))
        then left(coalesce(nullif(as_a_line(name), ''), 'unnamed'), 40) || ' (' || id || ')'
        else coalesce(nullif(as_a_line(name), ''), 'unnamed') end
    where not is_a_line(name);
alter table instrument add constraint instrument_name_is_a_line check (is_a_line(name));
update study set question = coalesce(nullif(as_a_line(question), ''), 'unnamed') where not is_a_line(question);
alter table study add constraint study_question_is_a_line check (is_a_line(question));
update bed_zone set label = coalesce(nullif(as_a_line(label), ''), 'unnamed') where not is_a_line(label);
alter table bed_zone add constraint bed_zone_label_is_a_line check (is_a_line(label));
update bed_trim set label = coalesce(nullif(as_a_line(label), ''), 'unnamed') where not is_a_line(label);
alter table bed_trim add constraint bed_trim_label_is_a_line check (is_a_line(label));
alter table instrument drop constraint instrument_asks_briefly,
    add constraint instrument_asks_briefly check (length(asks) <= 40 and asks !~ '[^ -~]') not valid;

-- A section lies within the bounds of its bed. A bed is not made smaller under its studies either; the pages see to its outline.
create function section_lies_within_its_bed() returns trigger language plpgsql as $$
begin
    if not exists (select 1 from study s join bed b on b.id = s.bed_id
                   where s.id = new.study_id and new.x_mm + new.width_mm <= b.width_mm + 0.5
                     and new.y_mm + new.height_mm <= b.height_mm + 0.5) then
        raise exception 'violates constraint "section_lies_on_its_bed"' using errcode = 'check_violation';
    end if;
    return new;
end $$;
create trigger section_lies_on_its_bed before insert or update on section
    for each row execute function section_lies_within_its_bed();

-- What an instrument gave may have come in with a study from elsewhere, where the instrument is not linked here.
alter table take
    alter column instrument_id drop not null,
    add column instrument_name text not null default '',
    add constraint take_names_its_instrument check (instrument_id is not null or length(instrument_name) between 1 and 60);
comment on column take.instrument_name is 'Of an instrument that is not linked here; empty if it is.';

create table backup (
    id bigint generated always as identity primary key,
    made_at timestamptz not null default now(),
    made_by text not null,
    file text not null,
    bytes bigint not null,
    sha256 text not null,
    kept numeric not null,
    constraint backup_has_a_sum check (sha256 ~ '^[0-9a-f]{64}$'),
    constraint backup_holds_something check (bytes > 0)
);
comment on table backup is 'Files that hold everything, as they were made and checked.';
comment on column backup.kept is 'How many rows had ever been kept by then: it grows with everything that is kept.';
