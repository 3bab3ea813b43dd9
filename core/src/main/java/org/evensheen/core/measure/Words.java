package org.evensheen.core.measure;

/**
 * What a measure is called.
 *
 * @param label on a tab or a row: "Pull"
 * @param at in a verdict: "first at slickness"
 * @param one a single reading: "pull"
 * @param several readings: "pulls"
 * @param once a step that asks for the only reading of a section, or "" if readings are counted: "Water left behind"
 * @param score what the score is called: "contact angle"
 * @param does what the best one does against bare, before a number: "eases the pull by"
 * @param gained what a share of bare is, after a number: "easier than bare that day"; "" if the benefit is no share
 * @param layOut what is laid out for it: "the weighted sled and the force gauge"
 * @param how how one reading is taken, a sentence
 * @param plan how often it is read on a section, as the Planner asks: "Pulls on each section"
 */
public record Words(
        String label,
        String at,
        String one,
        String several,
        String once,
        String score,
        String does,
        String gained,
        String layOut,
        String how,
        String plan) {}
