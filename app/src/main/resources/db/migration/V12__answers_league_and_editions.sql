-- Lives as they were told, like verdicts.
create table life_outcome (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    revision bigint not null,
    measure text not null,
    axis text not null,
    day integer not null,
    method integer not null,
    sentence text not null,
    document jsonb not null,
    digest text not null generated always as (md5(document::text)) stored,
    kept_at timestamptz not null default now(),
    constraint life_outcome_is_kept_once unique (study_id, measure, axis, day, method, digest),
    constraint life_outcome_axis_is_known check (axis in ('weeks', 'washes', 'km', 'doses')),
    constraint life_outcome_method_is_counted check (method >= 1)
);
create index life_outcome_by_study on life_outcome (study_id, id desc);
comment on table life_outcome is 'Lives of studies whose key is open, as they were told; docs/formats.md describes the document.';

-- What a study or a comparison adds to the league: differences on one quality, like with like. Replaced when its source has moved on.
create table finding (
    id bigint generated always as identity primary key,
    study_id bigint references study,
    comparison_id bigint references comparison,
    revision bigint not null,
    quality text not null,
    alike text not null,
    method integer not null,
    footing text not null,
    found_on date not null,
    document jsonb not null,
    constraint finding_has_one_source check (num_nonnulls(study_id, comparison_id) = 1),
    constraint finding_stands_once_a_study unique (study_id, quality, alike),
    constraint finding_stands_once_a_comparison unique (comparison_id, quality, alike),
    constraint finding_footing_is_a_word check (footing in ('firm', 'fair', 'thin', 'anecdote')),
    constraint finding_method_is_counted check (method >= 1)
);
create index finding_by_quality on finding (quality);
comment on table finding is 'Differences between products on one quality, as a study or a comparison found them; names, so of open keys only.';
comment on column finding.alike is 'Only findings with the same words here are compared: the look, the exposure, the way of wetting.';
comment on column finding.revision is 'State of the source: revision of a study, number of answers of a comparison.';

create table finding_source (
    study_id bigint unique references study,
    comparison_id bigint unique references comparison,
    revision bigint not null,
    method integer not null,
    sentence text not null,
    footing text not null,
    constraint finding_source_is_one check (num_nonnulls(study_id, comparison_id) = 1)
);
comment on table finding_source is 'Up to which state a study or a comparison was gone through for the league, and what its answer was then.';

-- What matters to a reader, as weights.
create table profile (
    id bigint generated always as identity primary key,
    name text not null,
    weights jsonb not null,
    changed_at timestamptz not null default now(),
    changed_by text not null,
    constraint profile_has_a_name check (length(btrim(name)) between 1 and 60),
    constraint profile_weights_are_an_object check (jsonb_typeof(weights) = 'object')
);
create unique index profile_is_named_once on profile (lower(name));
comment on table profile is 'Readers of the reviewer''s own, beside those that come with the program; weights change no value.';

-- A reviewer's advice against what was derived.
create table overruled (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    contender integer not null,
    advice text not null,
    reason text not null,
    said_by text not null,
    said_at timestamptz not null default now(),
    page_key uuid not null,
    constraint overruled_is_kept_once unique (page_key),
    constraint overruled_advice_is_known check (advice in ('keep', 'only-for', 'skip', 'derived')),
    constraint overruled_has_a_reason check (advice = 'derived' or length(btrim(reason)) between 1 and 200)
);
create index overruled_by_study on overruled (study_id, id desc);
comment on table overruled is 'Advice that a reviewer gave against what was derived, with the reason that is printed; the latest stands.';

-- What was published, as it was.
create table edition (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    number integer not null,
    headline text not null,
    words text not null,
    changed text not null,
    report jsonb not null,
    html text not null,
    markdown text not null,
    seal text not null,
    published_by text not null,
    published_at timestamptz not null default now(),
    page_key uuid not null,
    constraint edition_is_published_once unique (page_key),
    constraint edition_is_counted unique (study_id, number),
    constraint edition_number_is_from_one check (number >= 1),
    constraint edition_seal_is_a_hash check (seal ~ '^[0-9a-f]{64}$')
);
create index edition_by_study on edition (study_id, number desc);
comment on table edition is 'Reports as they were published; never changed, a later one says what is different.';
create function edition_stays() returns trigger language plpgsql as
    $$ begin raise exception 'a published report stays as it was'; end $$;
create trigger edition_is_never_changed before update or delete on edition for each row execute function edition_stays();
