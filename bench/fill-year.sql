-- A year-long study of 50 000 readings, after the demo's first. For bench/bundle only.
set session_replication_role = replica;
insert into study (id, question, bed_id, first_day, seed, page_key, key_opened_at) overriding system value
    select 9000, 'A year on the board', bed_id, first_day - 365, seed, gen_random_uuid(), key_opened_at from study where id = 1;
insert into contender (id, study_id, number, role, product_id, water_kind, source) overriding system value
    select 900000 + number, 9000, number, role, product_id, water_kind, source from contender where study_id = 1;
insert into section (id, study_id, contender_id, code, block, x_mm, y_mm, width_mm, height_mm, by_hand) overriding system value
    select 900000 + row_number() over (order by x.id), 9000, 900000 + k.number, x.code, x.block, x.x_mm, x.y_mm, x.width_mm,
           x.height_mm, x.by_hand
    from section x join contender k on k.id = x.contender_id where x.study_id = 1;
insert into planned_measure select 9000, position, measure, repeats from planned_measure where study_id = 1;
insert into planned_visit select 9000, day, case when day = 0 then 'bare' when day = 1 then 'fresh' else 'rewetted' end
    from generate_series(0, 364) day where day < 2 or day % 7 = 1;
insert into reading (study_id, section_id, day, stage, measure, repeat, amount, kept_by, page_key)
    select 9000, s.id, day, case when day = 0 then 'bare' when day = 1 then 'fresh' else 'rewetted' end, 'pull', repeat,
           round((9 + (s.id * 7 + day * 3 + repeat) % 40 / 10.0)::numeric, 1), 'Bench', gen_random_uuid()
    from section s, generate_series(0, 364) day, generate_series(1, 10) repeat where s.study_id = 9000
    order by day, s.id, repeat limit 50000;
set session_replication_role = default;
analyze;
