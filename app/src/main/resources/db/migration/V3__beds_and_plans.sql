alter table bed
    add column vehicle text not null default '',
    add column kind text not null default 'other',
    add column tilt_deg numeric not null default 90,
    add column colour text not null default '',
    add column hardness text not null default 'average',
    add column carries text not null default '',
    add column lives text not null default '',
    add column page_key uuid,
    add constraint bed_is_made_once unique (page_key),
    add constraint bed_kind_is_known
        check (kind in ('flank', 'roof', 'bonnet', 'tailgate', 'half', 'wheel', 'board', 'other')),
    add constraint bed_tilt_is_an_angle check (tilt_deg between 0 and 180),
    add constraint bed_hardness_is_known check (hardness in ('soft', 'average', 'hard')),
    drop constraint bed_outline_is_points,
    add constraint bed_outline_is_points check (outline ~ '^[\d.]+,[\d.]+( [\d.]+,[\d.]+){2,}$'),
    drop constraint bed_width_is_real,
    add constraint bed_width_is_real check (width_mm between 80 and 20000),
    drop constraint bed_height_is_real,
    add constraint bed_height_is_real check (height_mm between 80 and 20000);
comment on column bed.tilt_deg is '0 lies flat and faces up, 90 stands upright.';
comment on column bed.carries is 'What protection was on it before any study, in words.';
comment on column bed.lives is 'How it lives: outdoors, driven how far, salt, sea air.';
update bed set kind = 'board', tilt_deg = 0 where name ilike '%board%';
update bed set kind = 'flank', vehicle = split_part(name, ',', 1) where name ilike '%flank%';
update bed set hardness = 'soft', colour = 'black' where name ilike '%soft black%';
update bed set hardness = 'hard', colour = 'white' where name ilike '%hard white%';
create index bed_by_vehicle on bed (lower(vehicle), id);

alter table bed_zone
    drop constraint bed_zone_kind_is_known,
    add constraint bed_zone_kind_is_known check (kind in ('heat', 'low', 'edge', 'sun'));

create table bed_trim (
    bed_id bigint not null references bed,
    label text not null,
    outline text not null,
    primary key (bed_id, label),
    constraint bed_trim_has_a_name check (length(btrim(label)) between 1 and 80),
    constraint bed_trim_outline_is_points check (outline ~ '^[\d.]+,[\d.]+( [\d.]+,[\d.]+){2,}$')
);
comment on table bed_trim is 'What sections keep off: trims, handles, badges.';

create table bed_strip (
    id bigint generated always as identity primary key,
    bed_id bigint not null references bed,
    stripped_on date not null,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    constraint bed_strip_is_kept_once unique (page_key)
);
create index bed_strip_by_bed on bed_strip (bed_id);
comment on table bed_strip is 'When everything was stripped off a bed: nothing put on before that day is still there.';
create index study_by_bed on study (bed_id);

alter table product
    drop constraint product_kind_is_known,
    add constraint product_kind_is_known check (kind in (
        'soap', 'foam', 'rinseless', 'waterless', 'detailer', 'spray-wax', 'wax', 'sealant', 'coating', 'rinse-on',
        'wheel', 'iron', 'stripping', 'glass', 'trim', 'tyre', 'interior', 'media', 'other'));

alter table contender drop constraint contender_product_stands_once;
create table contender_layer (
    contender_id bigint not null references contender,
    layer integer not null,
    product_id bigint not null references product,
    primary key (contender_id, layer),
    constraint contender_layer_is_from_one check (layer between 1 and 5)
);
comment on table contender_layer is 'What lies under a contender''s product, 1 the layer right under it; a stack of layers is a contender of its own.';

create table plan (
    id bigint generated always as identity primary key,
    study_id bigint references study,
    made_at timestamptz not null default now(),
    page_key uuid not null,
    constraint plan_is_made_once unique (page_key),
    constraint plan_becomes_one_study unique (study_id)
);
comment on table plan is 'A study on paper; what was typed stands in its versions, and the study it became in study_id.';

create table plan_version (
    plan_id bigint not null references plan,
    number integer not null,
    back integer not null,
    typed jsonb not null,
    said text not null,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    primary key (plan_id, number),
    constraint plan_version_goes_back check (back between 0 and number - 1),
    constraint plan_version_is_fields check (jsonb_typeof(typed) = 'object')
);
comment on table plan_version is 'Everything typed for a plan after each change. Never rewritten: undoing keeps the version before as a new one.';
comment on column plan_version.back is 'The version that undoing goes back to; 0 for none.';

create function refuse_rewriting_plans() returns trigger language plpgsql as $$
begin
    raise exception 'a version of a plan is never rewritten or deleted; keep another'
        using errcode = 'restrict_violation';
end $$;
create trigger plan_version_is_never_rewritten before update or delete on plan_version
    for each row execute function refuse_rewriting_plans();

create table planned_work (
    study_id bigint not null references study,
    position integer not null,
    day integer not null,
    kind text not null,
    title text not null,
    why text not null,
    primary key (study_id, position),
    constraint planned_work_lies_within_ten_years check (day between 0 and 3660),
    constraint planned_work_kind_is_known
        check (kind in ('strip', 'bare', 'apply', 'coat', 'cure', 'fresh', 'wash', 'dose', 'visit', 'check')),
    constraint planned_work_has_a_title check (length(btrim(title)) between 1 and 400)
);
comment on table planned_work is 'Dated work of a study as it was planned, with the reason for each date.';

create table rehearsal (
    plan_id bigint primary key references plan,
    version integer not null,
    run uuid not null,
    total integer not null,
    done integer not null default 0,
    state text not null,
    result jsonb,
    touched_at timestamptz not null default now(),
    constraint rehearsal_state_is_known check (state in ('running', 'finished', 'cancelled', 'broken')),
    constraint rehearsal_is_finished_with_a_result check ((state = 'finished') = (result is not null)),
    constraint rehearsal_counts check (done between 0 and total)
);
comment on table rehearsal is 'The last rehearsal of a plan: how far it is, and what it found.';

create table forecast (
    id bigint generated always as identity primary key,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    constraint forecast_is_kept_once unique (page_key)
);
create table forecast_hour (
    forecast_id bigint not null references forecast,
    at timestamptz not null,
    air_c numeric not null,
    humidity numeric not null,
    rain_mm numeric not null,
    panel_c numeric,
    primary key (forecast_id, at),
    constraint forecast_air_is_earthly check (air_c between -60 and 60),
    constraint forecast_humidity_is_a_percentage check (humidity between 0 and 100),
    constraint forecast_rain_falls check (rain_mm between 0 and 500),
    constraint forecast_panel_is_earthly check (panel_c between -60 and 120)
);
comment on table forecast is 'A forecast file as it was sent; the latest counts.';

create table calendar_feed (
    id integer primary key default 1,
    address uuid not null default gen_random_uuid(),
    constraint calendar_feed_is_one check (id = 1)
);
insert into calendar_feed default values;
comment on table calendar_feed is 'The secret part of the address under which the calendar can be subscribed to.';
