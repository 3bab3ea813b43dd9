alter table product
    add column kind text not null default 'other',
    add column page_key uuid,
    add constraint product_is_made_once unique (page_key),
    add constraint product_kind_is_known check (kind in (
        'soap', 'foam', 'rinseless', 'waterless', 'detailer', 'spray-wax', 'wax', 'sealant', 'coating', 'rinse-on',
        'wheel', 'iron', 'stripping', 'glass', 'trim', 'tyre', 'interior', 'other'));
create index product_by_kind on product (kind, lower(name));
comment on table product is 'A product on the Shelf. What its label says stands in label, what there is of it in bottle and pour.';

create table label (
    id bigint generated always as identity primary key,
    product_id bigint not null references product,
    number integer not null,
    line text not null,
    written text not null,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    constraint label_is_kept_once unique (page_key),
    constraint label_number_stands_once unique (product_id, number),
    constraint label_number_is_from_one check (number >= 1),
    constraint label_line_is_short check (length(line) <= 4000 and length(written) <= 4000)
);
comment on table label is 'What a maker''s label says. Never rewritten: a correction is the next number, and the highest counts.';
comment on column label.line is 'Claims as docs/formats.md writes them; core.label reads them, and printing them gives this line again.';
comment on column label.written is 'The line as it was typed.';

create table label_use (
    label_id bigint not null references label,
    job text not null,
    primary key (label_id, job),
    constraint label_use_has_a_name check (length(btrim(job)) between 1 and 60)
);
create index label_use_by_job on label_use (job);
comment on table label_use is 'What a label offers to do, in small letters, so that products for the same job are found.';

create table bottle (
    id bigint generated always as identity primary key,
    product_id bigint not null references product,
    size_ml numeric not null,
    come_by text not null,
    come_by_on date,
    opened_on date,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    constraint bottle_is_kept_once unique (page_key),
    constraint bottle_size_is_real check (size_ml between 1 and 250000),
    constraint bottle_source_is_known_word check (come_by in ('bought', 'gifted', 'lent', 'sponsored', 'undisclosed')),
    constraint bottle_is_opened_after_it_came check (opened_on >= come_by_on)
);
create index bottle_by_product on bottle (product_id);

create table vessel (
    id bigint generated always as identity primary key,
    name text not null,
    shape text not null,
    volume_ml numeric not null,
    seconds_to_empty numeric,
    nozzle_ml_per_second numeric,
    constraint vessel_is_named_once unique (name),
    constraint vessel_has_a_name check (length(btrim(name)) between 1 and 60),
    constraint vessel_shape_is_known check (shape in ('bucket', 'foam-bottle', 'sprayer')),
    constraint vessel_volume_is_real check (volume_ml between 10 and 1000000),
    constraint vessel_flow_is_told_whole check (num_nonnulls(seconds_to_empty, nozzle_ml_per_second) in (0, 2)),
    constraint vessel_nozzle_gives_what_it_draws
        check (seconds_to_empty > 0 and nozzle_ml_per_second >= volume_ml / seconds_to_empty)
);
insert into vessel (name, shape, volume_ml) values
    ('Bucket', 'bucket', 12000), ('Foam bottle', 'foam-bottle', 1000), ('Spray bottle', 'sprayer', 500),
    ('Pump sprayer', 'sprayer', 2000);

create table pour (
    id bigint generated always as identity primary key,
    product_id bigint not null references product,
    kind text not null,
    product_ml numeric not null,
    water_ml numeric,
    job text not null default '',
    vessel_id bigint references vessel,
    study_id bigint references study,
    poured_on date not null,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    undone_at timestamptz,
    undone_by text,
    constraint pour_is_kept_once unique (page_key),
    constraint pour_kind_is_known check (kind in ('mixed', 'poured', 'weighed')),
    constraint pour_mix_has_water check ((kind = 'mixed') = (water_ml is not null)),
    constraint pour_is_real check (abs(product_ml) <= 250000 and coalesce(water_ml, 0) between 0 and 1000000),
    constraint pour_takes_something_unless_weighed check (product_ml > 0 or kind = 'weighed'),
    constraint pour_is_undone_by_somebody check (num_nonnulls(undone_at, undone_by) in (0, 2))
);
create index pour_by_product on pour (product_id, poured_on);
create index pour_by_vessel on pour (vessel_id, id desc) where vessel_id is not null;
create index pour_by_mix on pour (id desc) where kind = 'mixed';
create index pour_by_study on pour (study_id) where study_id is not null;
comment on table pour is 'What was taken from a product''s bottles. Undone, never deleted.';
comment on column pour.product_ml is 'mL taken; for a weighing, what was gone without being logged, below 0 if more was left than thought.';

create table calibration (
    id bigint generated always as identity primary key,
    product_id bigint not null references product,
    counter text not null,
    ml_each numeric not null,
    grams_lost numeric not null,
    count integer not null,
    density numeric not null,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    constraint calibration_is_kept_once unique (page_key),
    constraint calibration_counter_is_known check (counter in ('cap', 'pump', 'spray')),
    constraint calibration_is_real check (ml_each between 0.01 and 250 and count >= 1 and grams_lost > 0),
    constraint calibration_density_is_that_of_a_liquid check (density between 0.5 and 2)
);
create index calibration_by_product on calibration (product_id);
comment on table calibration is 'What one cap, pump or spray holds, by weighing; the latest of each counts.';

create table ph_strip (
    id bigint generated always as identity primary key,
    product_id bigint not null references product,
    ph numeric not null,
    read_on date not null,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    constraint ph_strip_is_kept_once unique (page_key),
    constraint ph_strip_is_real check (ph between 0 and 14)
);
create index ph_strip_by_product on ph_strip (product_id);

create table bundle (
    id bigint generated always as identity primary key,
    name text not null,
    price numeric not null,
    currency text not null,
    bought_on date,
    page_key uuid not null,
    constraint bundle_is_kept_once unique (page_key),
    constraint bundle_has_a_name check (length(btrim(name)) between 1 and 80),
    constraint bundle_costs_something check (price > 0),
    constraint bundle_currency_is_a_code check (currency ~ '^[A-Z]{3}$')
);
create table bundle_item (
    bundle_id bigint not null references bundle,
    product_id bigint not null references product,
    size_ml numeric not null,
    list_price numeric not null,
    primary key (bundle_id, product_id),
    constraint bundle_item_size_is_real check (size_ml between 1 and 250000),
    constraint bundle_item_has_a_list_price check (list_price > 0)
);
create index bundle_item_by_product on bundle_item (product_id);

create table exchange_rate (
    id bigint generated always as identity primary key,
    base text not null,
    quote text not null,
    worth numeric not null,
    stated_on date not null,
    page_key uuid not null,
    constraint exchange_rate_is_kept_once unique (page_key),
    constraint exchange_rate_is_between_two check (base <> quote and base ~ '^[A-Z]{3}$' and quote ~ '^[A-Z]{3}$'),
    constraint exchange_rate_is_above_zero check (worth > 0)
);
comment on table exchange_rate is 'One of base was worth so many of quote on a day, as the reviewer stated it; the latest counts.';

create table label_photo (
    id bigint generated always as identity primary key,
    product_id bigint not null references product,
    picture bytea not null,
    small bytea not null,
    width integer not null,
    height integer not null,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    constraint label_photo_is_kept_once unique (page_key),
    constraint label_photo_is_small_enough check (octet_length(picture) <= 4000000 and octet_length(small) <= 400000)
);
create index label_photo_by_product on label_photo (product_id);
comment on table label_photo is 'A photo of a label as JPEG, resized, with nothing of the camera or the place in it.';

create table application (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    contender_id bigint not null,
    label_id bigint references label,
    day integer not null,
    job text not null default '',
    dose text,
    wait_seconds numeric,
    coats integer,
    kept_at timestamptz not null default now(),
    kept_by text not null,
    page_key uuid not null,
    undone_at timestamptz,
    undone_by text,
    constraint application_is_kept_once unique (page_key),
    constraint application_of_a_contender_of_its_study foreign key (contender_id, study_id)
        references contender (id, study_id),
    constraint application_lies_within_ten_years check (day between 0 and 3660),
    constraint application_waits_some_time check (wait_seconds > 0),
    constraint application_has_some_coats check (coats between 1 and 20),
    constraint application_says_something check (num_nonnulls(dose, wait_seconds, coats) > 0),
    constraint application_is_undone_by_somebody check (num_nonnulls(undone_at, undone_by) in (0, 2))
);
create index application_by_study on application (study_id);
create index contender_by_product on contender (product_id);
comment on table application is 'How a product of a study was really put on, to be set against its label of that day.';
create trigger study_changes_with_applications after insert on application
    referencing new table as changed for each statement execute function mark_study_changed();
create trigger study_changes_with_undone_applications after update on application
    referencing new table as changed for each statement execute function mark_study_changed();

create function mark_studies_of_label_changed() returns trigger language plpgsql as $$
begin
    update study set revision = revision + 1 where id in (
        select c.study_id from contender c join changed n on n.product_id = c.product_id);
    return null;
end $$;
create trigger studies_change_with_labels after insert on label
    referencing new table as changed for each statement execute function mark_studies_of_label_changed();

create function refuse_rewriting_labels() returns trigger language plpgsql as $$
begin
    raise exception 'a label is never rewritten or deleted; the next number corrects it'
        using errcode = 'restrict_violation';
end $$;
create trigger label_is_never_rewritten before update or delete on label
    for each row execute function refuse_rewriting_labels();
