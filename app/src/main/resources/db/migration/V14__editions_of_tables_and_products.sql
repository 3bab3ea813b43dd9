-- Tables of the league and products are published as studies and afternoons are. A table is known by what it was asked for.
alter table edition
    drop constraint edition_has_one_source,
    add column product_id bigint references product,
    add column league text,
    add constraint edition_has_one_source check (num_nonnulls(study_id, comparison_id, product_id, league) = 1),
    add constraint edition_league_is_short check (length(league) <= 600),
    add constraint edition_is_counted_by_product unique (product_id, number),
    add constraint edition_is_counted_by_league unique (league, number);
