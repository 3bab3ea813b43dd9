create extension if not exists btree_gist;

create table product (
    id bigint generated always as identity primary key,
    name text not null,
    constraint product_has_a_name check (length(btrim(name)) between 1 and 80)
);
create unique index product_is_named_once on product (lower(name));
comment on table product is 'A product that takes part in studies; what is known of a bottle stands with its study.';

create table bed (
    id bigint generated always as identity primary key,
    name text not null,
    width_mm numeric not null,
    height_mm numeric not null,
    outline text,
    constraint bed_has_a_name check (length(btrim(name)) between 1 and 80),
    constraint bed_width_is_real check (width_mm between 200 and 20000),
    constraint bed_height_is_real check (height_mm between 200 and 20000),
    constraint bed_outline_is_points check (outline ~ '^\d+,\d+( \d+,\d+){2,}$')
);
comment on table bed is 'What sections are taped on: a panel, a flank, a loose board.';
comment on column bed.outline is 'Corners in mm from the upper left, "x,y x,y …"; null for a plain rectangle.';

create table bed_zone (
    bed_id bigint not null references bed,
    kind text not null,
    label text not null,
    x_mm numeric not null,
    y_mm numeric not null,
    width_mm numeric not null,
    height_mm numeric not null,
    primary key (bed_id, label),
    constraint bed_zone_kind_is_known check (kind in ('heat', 'low', 'edge')),
    constraint bed_zone_has_area check (width_mm > 0 and height_mm > 0)
);
comment on table bed_zone is 'A part of a bed that lives differently: warm, fouling first, or at an edge.';

create table study (
    id bigint generated always as identity primary key,
    question text not null,
    bed_id bigint not null references bed,
    first_day date not null,
    seed bigint not null,
    key_opened_at timestamptz,
    made_at timestamptz not null default now(),
    page_key uuid not null,
    revision bigint not null default 0,
    constraint study_asks_a_question check (length(btrim(question)) between 1 and 200),
    constraint study_is_made_once unique (page_key)
);
create index study_by_first_day on study (first_day desc, id desc);
comment on column study.seed is 'Behind the lots and every draw of the verdict.';
comment on column study.revision is 'Grows with every change to the study''s sections, readings or happenings.';

create table contender (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    number integer not null,
    role text not null,
    product_id bigint references product,
    water_kind text,
    source text,
    constraint contender_repels_or_sheets check (water_kind in ('repels', 'sheets')),
    constraint contender_source_is_known_word
        check (source in ('bought', 'gifted', 'lent', 'sponsored', 'undisclosed')),
    constraint contender_product_has_kind_and_source
        check (num_nonnulls(product_id, water_kind, source) in (0, 3)),
    constraint contender_number_is_from_zero check (number between 0 and 99),
    constraint contender_role_is_known check (role in ('product', 'reference', 'bare')),
    constraint contender_is_a_product_unless_bare check ((role = 'bare') = (product_id is null)),
    constraint contender_number_stands_once unique (study_id, number),
    constraint contender_product_stands_once unique (study_id, product_id),
    constraint contender_of_its_study unique (id, study_id)
);
comment on column contender.source is 'How the bottle was come by; it sways the reviewer, so it is told.';
create unique index contender_bare_stands_once on contender (study_id) where role = 'bare';

create table section (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    contender_id bigint not null,
    code text not null,
    block integer not null,
    x_mm numeric not null,
    y_mm numeric not null,
    width_mm numeric not null,
    height_mm numeric not null,
    by_hand boolean not null default false,
    constraint section_code_is_letters check (code ~ '^[A-Z]{1,2}$'),
    constraint section_code_stands_once unique (study_id, code),
    constraint section_of_its_study unique (id, study_id),
    constraint section_holds_a_contender_of_its_study foreign key (contender_id, study_id)
        references contender (id, study_id),
    constraint section_has_area check (width_mm > 0 and height_mm > 0),
    constraint section_lies_on_the_bed check (x_mm >= 0 and y_mm >= 0),
    constraint section_block_is_from_one check (block >= 1),
    constraint sections_never_overlap exclude using gist (
        study_id with =,
        box(point(x_mm, y_mm), point(x_mm + width_mm, y_mm + height_mm)) with &&)
);
comment on column section.block is 'The row it is compared within, from 1 at the top.';
comment on column section.by_hand is 'A person chose the place instead of the lot.';

create table planned_measure (
    study_id bigint not null references study,
    position integer not null,
    measure text not null,
    repeats integer not null,
    primary key (study_id, measure),
    constraint planned_measure_order_is_clear unique (study_id, position),
    constraint planned_measure_is_known check (measure in ('pull', 'drop', 'left-behind', 'grade')),
    constraint planned_repeats_are_few check (repeats between 1 and 20)
);

create table planned_visit (
    study_id bigint not null references study,
    day integer not null,
    stage text not null,
    primary key (study_id, day, stage),
    constraint planned_visit_lies_within_ten_years check (day between 0 and 3660),
    constraint planned_visit_stage_is_known
        check (stage in ('bare', 'fresh', 'arrival', 'rinsed', 'foamed', 'washed', 'rewetted'))
);

create table happening (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    day integer not null,
    kind text not null,
    note text not null default '',
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    constraint happening_is_kept_once unique (page_key),
    constraint happening_lies_within_ten_years check (day between 0 and 3660),
    constraint happening_kind_is_known
        check (kind in ('applied', 'washed', 'dosed', 'topped', 'gauge-checked', 'weather-noted')),
    constraint happening_note_is_short check (length(note) <= 200)
);
create index happening_by_study on happening (study_id);
comment on table happening is 'Something done to the whole bed on a day, notched on the tape.';

create table reading (
    id bigint generated always as identity primary key,
    study_id bigint not null,
    section_id bigint not null,
    day integer not null,
    stage text not null,
    measure text not null,
    repeat integer not null,
    amount numeric not null,
    width_mm numeric,
    water_kind text,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    replaces bigint,
    struck_at timestamptz,
    struck_by text,
    struck_because text,
    constraint reading_is_kept_once unique (page_key),
    constraint reading_of_a_section_of_its_study foreign key (section_id, study_id) references section (id, study_id),
    constraint reading_lies_within_ten_years check (day between 0 and 3660),
    constraint reading_stage_is_known
        check (stage in ('bare', 'fresh', 'arrival', 'rinsed', 'foamed', 'washed', 'rewetted')),
    constraint reading_repeat_is_from_one check (repeat between 1 and 99),
    constraint reading_is_physical check (case measure
        when 'pull' then amount between 0.1 and 200 and width_mm is null and water_kind is null
        when 'drop' then amount between 0.05 and 10 and width_mm between 0.2 and 30 and width_mm is not null
            and water_kind is null
        when 'left-behind' then amount between 0 and 2000 and width_mm is null and water_kind is null
        when 'grade' then amount in (0, 1, 2, 3, 4) and width_mm is null
            and water_kind in ('repels', 'sheets') and water_kind is not null
        else false end),
    constraint reading_is_struck_with_who_when_why check (
        num_nonnulls(struck_at, struck_by, struck_because) in (0, 3)
        and length(btrim(coalesce(struck_by, '-'))) > 0 and length(btrim(coalesce(struck_because, '-'))) > 0),
    constraint reading_is_replaced_once unique (replaces),
    constraint reading_replaces_one_of_its_study foreign key (replaces) references reading (id)
);
create unique index reading_stands_once
    on reading (study_id, section_id, day, stage, measure, repeat) where struck_at is null;
create index reading_by_study on reading (study_id);
comment on table reading is 'What was seen. A reading is never rewritten or deleted: it is struck, and another may replace it.';
comment on column reading.amount is 'As typed: N, mm of height, g, or a grade from 0 to 4.';
comment on column reading.page_key is 'Made by the page that asked, so that a double tap or a retry keeps one.';

create function refuse_rewriting() returns trigger language plpgsql as $$
begin
    if tg_op = 'UPDATE' and old.struck_at is null
        and (to_jsonb(new) - '{struck_at,struck_by,struck_because}'::text[])
          = (to_jsonb(old) - '{struck_at,struck_by,struck_because}'::text[]) then
        return new;
    end if;
    raise exception 'a reading is never rewritten or deleted; strike it and keep another'
        using errcode = 'restrict_violation';
end $$;
create trigger reading_is_never_rewritten before update or delete on reading
    for each row execute function refuse_rewriting();

create function mark_study_changed() returns trigger language plpgsql as $$
begin
    update study set revision = revision + 1 where id in (select study_id from changed);
    return null;
end $$;
create trigger study_changes_with_new_readings after insert on reading
    referencing new table as changed for each statement execute function mark_study_changed();
create trigger study_changes_with_struck_readings after update on reading
    referencing new table as changed for each statement execute function mark_study_changed();
create trigger study_changes_with_happenings after insert on happening
    referencing new table as changed for each statement execute function mark_study_changed();
create trigger study_changes_with_sections after insert on section
    referencing new table as changed for each statement execute function mark_study_changed();
create trigger study_changes_with_moved_sections after update on section
    referencing new table as changed for each statement execute function mark_study_changed();
