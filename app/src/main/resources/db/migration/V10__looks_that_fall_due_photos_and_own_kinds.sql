-- Looks of a comparison that show later than at once: made anew from what was said whenever something is said.
create table comparison_look (
    comparison_id bigint not null references comparison,
    step text not null,
    title text not null,
    due_at timestamptz not null,
    primary key (comparison_id, step),
    constraint comparison_look_is_of_our_time check (our_time(due_at)),
    constraint comparison_look_is_short check (length(step) <= 60 and length(title) between 1 and 160)
);
create index comparison_look_by_time on comparison_look (due_at);

create table comparison_photo (
    id bigint generated always as identity primary key,
    comparison_id bigint not null,
    code text not null,
    step text not null,
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
    constraint comparison_photo_is_kept_once unique (page_key),
    constraint comparison_photo_is_of_a_place foreign key (comparison_id, code) references comparison_place (comparison_id, code),
    constraint comparison_photo_step_is_short check (length(step) between 1 and 60),
    constraint comparison_photo_by_is_short check (length(kept_by) between 1 and 40),
    constraint comparison_photo_is_of_our_time check (our_time(at) and our_time(kept_at)),
    constraint comparison_photo_is_small_enough check (octet_length(picture) <= 4000000 and octet_length(small) <= 400000),
    constraint comparison_photo_is_taken_back_by_somebody check (num_nonnulls(taken_back_at, taken_back_by) in (0, 2))
);
create index comparison_photo_by_comparison on comparison_photo (comparison_id, id);

-- A kind of one's own: the questions of an old comparison under a name.
create table own_kind (
    id bigint generated always as identity primary key,
    name text not null,
    kind text not null,
    shape text not null,
    asked text[] not null,
    page_key uuid not null,
    constraint own_kind_is_kept_once unique (page_key),
    constraint own_kind_name_is_short check (length(name) between 1 and 40),
    constraint own_kind_kind_is_a_word check (kind ~ '^[a-z][a-z-]{0,30}$'),
    constraint own_kind_shape_is_a_word check (shape ~ '^[a-z][a-z-]{0,30}$')
);
create unique index own_kind_is_named_once on own_kind (lower(name));
