-- A study runs a course, which says what stages a day has; a look may lie after a step of its day: after-3.
alter table study
    add column course text not null default 'visits',
    add constraint study_course_is_known check (course in ('visits', 'wash', 'ladder', 'jar'));
comment on column study.course is 'Which stages a day of it has, and which of them count: core.study.Course.';

create function is_a_look(stage text) returns boolean language sql immutable as
    $$ select stage ~ '^(before|bare|fresh|arrival|rinsed|foamed|washed|rewetted|after)(-[1-9][0-9]?)?$' $$;
alter table planned_visit
    drop constraint planned_visit_stage_is_known,
    add constraint planned_visit_stage_is_known check (is_a_look(stage));
alter table section_photo
    drop constraint section_photo_stage_is_known,
    add constraint section_photo_stage_is_known check (is_a_look(stage));
alter table reading
    drop constraint reading_stage_is_known,
    add constraint reading_stage_is_known check (is_a_look(stage));
comment on column reading.stage is 'The stage, and after a hyphen the step of the day that it follows, if the day has steps: core.study.Look.';

alter table happening
    add column step smallint not null default 0,
    add column minute smallint,
    add constraint happening_step_is_counted check (step between 0 and 99),
    add constraint happening_minute_is_of_a_day check (minute between 0 and 1439);
comment on column happening.step is 'Which step of its day it was, from 1; 0 on a day without steps.';
comment on column happening.minute is 'Minute of the day at which it was done, if known.';

-- What is compared is a product, or a method, a routine, a medium, an upkeep, an old state; a control has none of it.
alter table contender
    add column kind text not null default 'product',
    add column way text not null default '',
    drop constraint contender_product_has_kind_and_source,
    drop constraint contender_is_a_product_unless_bare,
    drop constraint contender_role_is_known,
    add constraint contender_role_is_known check (role in ('product', 'reference', 'bare', 'untreated')),
    add constraint contender_kind_is_known
        check (kind in ('product', 'stack', 'method', 'regime', 'routine', 'medium', 'old-state')),
    add constraint contender_way_is_a_line check (way = '' or is_a_line(way) and length(way) <= 120),
    add constraint contender_control_tests_nothing check (
        role not in ('bare', 'untreated') or num_nonnulls(product_id, water_kind, source) = 0 and way = ''),
    add constraint contender_names_what_it_tests check (
        role in ('bare', 'untreated')
        or source is not null
            and (product_id is not null) = (kind in ('product', 'stack', 'method', 'regime'))
            and (way <> '' or kind in ('product', 'stack')));
update contender c set kind = 'stack' where exists (select 1 from contender_layer l where l.contender_id = c.id);
create unique index contender_untreated_stands_once on contender (study_id) where role = 'untreated';
comment on column contender.kind is 'What it is: core.study.Contender.Kind.';
comment on column contender.way is 'How it is used, or what it is, in words; empty for a product as its label has it.';
comment on column contender.water_kind is 'What water is meant to do on it; null where nobody asks.';
