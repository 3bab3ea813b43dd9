-- Copies the demo's first study until there are 1 000 studies and 2 million readings. For bench/pages --full only.
set session_replication_role = replica;
create temp table copy_of as
    select 1000 + n as id, 'Copy ' || n as question, n from generate_series(1, 997) n;
insert into study (id, question, bed_id, first_day, seed, page_key, key_opened_at)
    overriding system value
    select c.id, c.question, s.bed_id, s.first_day - c.n % 900 - 30, s.seed, gen_random_uuid(), s.key_opened_at
    from copy_of c, study s where s.id = 1;
insert into contender (id, study_id, number, role, product_id, water_kind, source) overriding system value
    select c.id * 100 + k.number, c.id, k.number, k.role, k.product_id, k.water_kind, k.source from copy_of c, contender k where k.study_id = 1;
insert into section (id, study_id, contender_id, code, block, x_mm, y_mm, width_mm, height_mm, by_hand) overriding system value
    select c.id * 100 + row_number() over (partition by c.id order by x.id), c.id, c.id * 100 + k.number, x.code, x.block,
           x.x_mm, x.y_mm, x.width_mm, x.height_mm, x.by_hand
    from copy_of c, section x join contender k on k.id = x.contender_id where x.study_id = 1;
insert into planned_measure select c.id, m.position, m.measure, m.repeats from copy_of c, planned_measure m where m.study_id = 1;
insert into planned_visit select c.id, v.day, v.stage from copy_of c, planned_visit v where v.study_id = 1;
insert into reading (study_id, section_id, day, stage, measure, repeat, amount, width_mm, water_kind, kept_by, page_key)
    select c.id, n.id, r.day + 60 * g, r.stage, r.measure, r.repeat, r.amount, r.width_mm, r.water_kind, 'Bench', gen_random_uuid()
    from copy_of c
    cross join generate_series(0, 2) g
    join reading r on r.study_id = 1 and (g < 2 or r.day < 21)
    join section o on o.id = r.section_id
    join section n on n.study_id = c.id and n.code = o.code;
set session_replication_role = default;
analyze;
