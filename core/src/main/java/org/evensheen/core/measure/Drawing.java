package org.evensheen.core.measure;

/** How a measure is drawn on a place: drawings are the measurement. */
public enum Drawing {
    /** The run of a sled against that on bare. */
    RUNNER,
    /** A drop at its contact angle. */
    DROP,
    /** A sheet of water as thick as what is left. */
    SHEET,
    /** A gleam as long as it shines. */
    GLEAM,
    /** A curve over minutes. */
    CURVE,
    /** Told in figures only. */
    NONE
}
