-- The way in which a bed is wetted for looks stands on the tape; only looks wetted alike are set against each other.
alter table happening
    drop constraint happening_kind_is_known,
    add constraint happening_kind_is_known
        check (kind in ('applied', 'washed', 'dosed', 'topped', 'gauge-checked', 'weather-noted', 'odometer', 'wetted'));
