-- Copies the demo's products until there are 2 000, each with a bottle and forty pours. For bench/pages --full only.
set session_replication_role = replica;
create temp table copy_of as
    select 100000 + row_number() over (order by n, p.id) as id, p.id as like_id, p.name || ' ' || n as name, p.kind
    from product p, generate_series(1, 110) n limit 1981;
insert into product (id, name, kind) overriding system value select id, name, kind from copy_of;
insert into label (id, product_id, number, line, written, kept_by, page_key) overriding system value
    select c.id, c.id, 1, l.line, l.written, 'Bench', gen_random_uuid() from copy_of c join label l on l.product_id = c.like_id;
insert into label_use (label_id, job) select c.id, u.job from copy_of c join label l on l.product_id = c.like_id join label_use u on u.label_id = l.id;
insert into bottle (product_id, size_ml, come_by, kept_by, page_key) select id, 20000, 'bought', 'Bench', gen_random_uuid() from copy_of;
insert into pour (product_id, kind, product_ml, poured_on, kept_by, page_key)
    select id, 'poured', 20, current_date - g, 'Bench', gen_random_uuid() from copy_of, generate_series(1, 40) g;
set session_replication_role = default;
analyze;
