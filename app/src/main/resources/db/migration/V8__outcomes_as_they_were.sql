-- A verdict as it was first worked out for a state of its study, so that it can be shown again when the study or the method has moved on.
create table outcome (
    id bigint generated always as identity primary key,
    study_id bigint not null references study,
    revision bigint not null,
    measure text not null,
    day integer not null,
    stage text not null,
    method integer not null,
    sentence text not null,
    footing text not null,
    document jsonb not null,
    digest text not null generated always as (md5(document::text)) stored,
    kept_at timestamptz not null default now(),
    constraint outcome_is_kept_once unique (study_id, measure, day, stage, method, digest),
    constraint outcome_stage_is_known check (is_a_look(stage)),
    constraint outcome_footing_is_a_word check (footing in ('firm', 'fair', 'thin', 'anecdote')),
    constraint outcome_method_is_counted check (method >= 1)
);
create index outcome_by_study on outcome (study_id, id desc);
comment on table outcome is 'Verdicts of studies whose key is open, as they were; docs/formats.md describes the document.';
comment on column outcome.revision is 'The state of the study that it was worked out from.';
comment on column outcome.method is 'Version of the method: core.comparing.Verdict.METHOD.';
