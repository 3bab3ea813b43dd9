-- What wears a coat is counted in km too.
alter table happening
    drop constraint happening_kind_is_known,
    add constraint happening_kind_is_known
        check (kind in ('applied', 'washed', 'dosed', 'topped', 'gauge-checked', 'weather-noted', 'odometer')),
    add constraint happening_odometer_says_how_far check (kind <> 'odometer' or note ~ '^[0-9]');
