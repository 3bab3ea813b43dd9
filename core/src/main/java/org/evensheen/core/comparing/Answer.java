package org.evensheen.core.comparing;

import java.util.Optional;

/** A number of a verdict, or the reason why there is none. */
public record Answer<T>(Optional<T> value, Optional<Absent> absent) {
    public Answer {
        if (value.isPresent() == absent.isPresent()) {
            throw new IllegalArgumentException("an answer is a value or a reason");
        }
    }

    static <T> Answer<T> of(T value) {
        return new Answer<>(Optional.of(value), Optional.empty());
    }

    static <T> Answer<T> none(Absent why) {
        return new Answer<>(Optional.empty(), Optional.of(why));
    }
}
