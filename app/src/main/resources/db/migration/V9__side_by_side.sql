-- An afternoon: two to eight things compared side by side, now. What was said is never rewritten; taking back is saying so.
create table comparison (
    id bigint generated always as identity primary key,
    kind text not null,
    shape text not null,
    seed bigint not null,
    asked text[] not null,
    begun_at timestamptz not null,
    begun_by text not null,
    page_key uuid not null,
    constraint comparison_page_key_is_used_once unique (page_key),
    constraint comparison_kind_is_a_word check (kind ~ '^[a-z][a-z-]{0,30}$'),
    constraint comparison_shape_is_a_word check (shape ~ '^[a-z][a-z-]{0,30}$'),
    constraint comparison_is_of_our_time check (our_time(begun_at)),
    constraint comparison_begun_by_is_short check (length(begun_by) between 1 and 40)
);
create table comparison_contender (
    comparison_id bigint not null references comparison,
    number smallint not null,
    product_id bigint references product,
    name text not null,
    way text not null default '',
    primary key (comparison_id, number),
    constraint comparison_has_two_to_eight check (number between 0 and 7),
    constraint comparison_contender_name_is_short check (length(name) between 1 and 80),
    constraint comparison_contender_way_is_short check (length(way) <= 120)
);
create unique index comparison_contender_stands_once on comparison_contender (comparison_id, lower(name), lower(way));
create index comparison_contender_by_product on comparison_contender (product_id);
create table comparison_place (
    comparison_id bigint not null,
    code text not null,
    contender smallint not null,
    round smallint not null,
    x_mm double precision not null,
    y_mm double precision not null,
    width_mm double precision not null,
    height_mm double precision not null,
    by_hand boolean not null default false,
    name text not null,
    primary key (comparison_id, code),
    foreign key (comparison_id, contender) references comparison_contender (comparison_id, number),
    constraint comparison_place_holds_one_a_round unique (comparison_id, round, contender),
    constraint comparison_place_code_is_letters check (code ~ '^[A-Z]{1,2}$'),
    constraint comparison_place_round_is_counted check (round between 1 and 20),
    constraint comparison_place_has_a_name check (length(name) between 1 and 40)
);
create table comparison_said (
    id bigint generated always as identity primary key,
    comparison_id bigint not null references comparison,
    step text not null,
    value text not null,
    said_by text not null,
    knew boolean not null,
    said_at timestamptz not null,
    kept_at timestamptz not null default now(),
    page_key uuid not null,
    constraint comparison_said_is_kept_once unique (page_key),
    constraint comparison_said_step_is_short check (length(step) between 1 and 60),
    constraint comparison_said_value_is_short check (length(value) between 1 and 200),
    constraint comparison_said_by_is_short check (length(said_by) between 1 and 40),
    constraint comparison_said_is_of_our_time check (our_time(said_at) and our_time(kept_at))
);
create index comparison_said_by_comparison on comparison_said (comparison_id, id);
create function never_rewritten() returns trigger language plpgsql as $$
begin
    raise exception 'what was said is never rewritten; say it again' using errcode = 'check_violation';
end $$;
create trigger comparison_said_is_never_rewritten before update or delete on comparison_said
    for each row execute function never_rewritten();
