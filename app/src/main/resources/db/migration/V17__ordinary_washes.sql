-- Ordinary washes between studies: the exposure of every study on that vehicle, and where real yield comes from.
create table wash (
    id bigint generated always as identity primary key,
    vehicle text not null,
    washed_on date not null,
    product_id bigint references product,
    product_ml numeric,
    kept_by text not null,
    kept_at timestamptz not null default now(),
    undone_at timestamptz,
    undone_by text,
    page_key uuid not null,
    constraint wash_is_kept_once unique (page_key),
    constraint wash_has_a_vehicle check (length(btrim(vehicle)) between 1 and 80),
    constraint wash_amount_is_of_a_product check (product_ml is null or product_id is not null),
    constraint wash_amount_is_real check (product_ml > 0 and product_ml <= 250000),
    constraint wash_is_undone_by_somebody check (num_nonnulls(undone_at, undone_by) in (0, 2))
);
create index wash_by_vehicle on wash (vehicle, washed_on desc);
create index wash_by_product on wash (product_id, id desc) where product_id is not null;
comment on table wash is 'Ordinary washes of vehicles. Each marks the tape of the studies that run there. Undone, never deleted.';
