package org.evensheen.app.demo;

import java.util.List;

/** The invented products of the demo, with their labels, bottles, and what was poured. Days count back from today. */
final class DemoShelf {

    private DemoShelf() {}

    /**
     * A product.
     *
     * @param line its label
     * @param comeBy how its bottle was come by, so many days ago
     * @param opened days ago, or below 0 if it is unopened
     * @param sprayMl mL of one spray, weighed; 0 if it was not
     */
    record Told(
            String name,
            String kind,
            String line,
            double sizeMl,
            String comeBy,
            int came,
            int opened,
            double sprayMl,
            double gone) {}

    /** A mix that was made. */
    record Mixed(String product, String job, String vessel, double productMl, double waterMl, int daysAgo) {}

    static List<Told> products() {
        return List.of(
                new Told(
                        "Curlew Foam",
                        "foam",
                        "foam 1:9; bucket wash 1:250; rinse off; no sun; panel 5–30 °C; for paint, glass, wheels, trim; pH 7–8; 500 mL 11.90 EUR; 2 L 36.00 EUR; keeps 24 months; mix keeps 7 days; scent pear",
                        2000,
                        "bought",
                        200,
                        180,
                        0,
                        640),
                new Told(
                        "Sallow Plain Soap",
                        "soap",
                        "bucket wash 30–60 mL in 10 L; stripping wash 1:50; rinse off; for paint, glass, wheels, trim; pH 8–9; 1 L 4.80 EUR; keeps 3 years; no scent",
                        1000,
                        "bought",
                        150,
                        140,
                        0,
                        420),
                new Told(
                        "Marram Gloss Soap",
                        "soap",
                        "bucket wash 1 in 500; rinse off; no sun; panel 5–28 °C; for paint, glass, wheels; pH 7; lasts 2 weeks; 500 mL 14.50 EUR; keeps 24 months; scent marram grass",
                        500,
                        "bought",
                        60,
                        50,
                        0,
                        96),
                new Told(
                        "Pailmate Rinseless",
                        "rinseless",
                        "rinseless 1:240; drying aid 1:60; clay lubricant 1:60; waterless 1:16; buff; panel 4–32 °C; for paint, glass, trim, wrap; pH 7; 500 mL 18.40 EUR; 2 L 59.00 EUR; keeps 24 months; mix keeps 14 days; scent plain",
                        500,
                        "bought",
                        120,
                        110,
                        0,
                        201),
                new Told(
                        "Dry Acre Waterless",
                        "waterless",
                        "waterless 15–25 mL per panel; buff; no sun; panel 5–30 °C; for paint, glass, trim; not for matt paint; lasts 2 weeks; pH 7; 750 mL 12.50 EUR; 5 L 55.00 EUR; keeps 24 months; scent mint",
                        750,
                        "gifted",
                        70,
                        60,
                        1.1,
                        150),
                new Told(
                        "Lowlight Mist",
                        "detailer",
                        "quick detailer 2–3 sprays per panel; drying aid 1:4; wait 10–30 s; buff; panel 5–30 °C; no sun; for paint, glass, trim; lasts 3 weeks; pH 7; 500 mL 13.90 EUR; keeps 24 months; scent black tea",
                        500,
                        "bought",
                        90,
                        80,
                        1.2,
                        120),
                new Told(
                        "Osier Spray Seal",
                        "sealant",
                        "3–5 sprays per section; section 60 × 60 cm; wait 1–3 min; buff; 2 coats; next layer 1 h; dry 12 h; panel 8–28 °C; no sun; for paint, glass, trim, wheels; not for matt paint; lasts 6 months; 500 mL 24.90 EUR; keeps 24 months; scent willow",
                        500,
                        "bought",
                        140,
                        130,
                        1.15,
                        110),
                new Told(
                        "Tidewrack Mist Coat",
                        "coating",
                        "2–4 sprays per section; section 50 × 50 cm; wait 30–60 s; buff; 1 coat; dry 24 h; panel 10–25 °C; no sun; for paint, glass, chrome; not for matt paint, fabric; lasts 12 months; 250 mL 38.00 USD; keeps 12 months; caution solvent",
                        250,
                        "bought",
                        80,
                        45,
                        0.9,
                        44),
                new Told(
                        "Brock Paste",
                        "wax",
                        "3–5 mL per panel; wait 5–10 min; buff; 1–2 coats; next layer 12 h; dry 2 h; panel 10–25 °C; no sun; for paint, chrome; not for trim, matt paint; lasts 8–10 weeks; 200 g 21.00 EUR; keeps 5 years; scent beeswax",
                        200,
                        "lent",
                        50,
                        45,
                        0,
                        36),
                new Told(
                        "Kelter Rinse-On",
                        "rinse-on",
                        "4–6 sprays per section; wait 10–60 s; rinse off; 1 coat; panel 4–30 °C; for paint, glass, wheels, trim; lasts 8 weeks; pH 4.5–5.5; 1 L 16.00 EUR; keeps 24 months; no scent",
                        1000,
                        "gifted",
                        160,
                        150,
                        1.3,
                        948),
                new Told(
                        "Rustmoth Iron Wash",
                        "iron",
                        "6–10 sprays per wheel; wait 2–4 min; rinse off; no sun; panel below 25 °C; for wheels, paint; not for bare metal, leather; pH 6–7; 1 L 15.50 EUR; keeps 18 months; scent sulphur; caution iron remover",
                        1000,
                        "bought",
                        100,
                        96,
                        1.25,
                        310),
                new Told(
                        "Brackwater Wheel Acid",
                        "wheel",
                        "wheels 1:4–10; wait 30–60 s; rinse off; no sun; panel below 25 °C; for wheels; not for paint, bare metal, brakes; pH 1–2; 5 L 28.00 EUR; keeps 24 months; no scent; caution acid, not for paint",
                        5000,
                        "bought",
                        210,
                        30,
                        0,
                        250),
                new Told(
                        "Fenland Degreaser",
                        "stripping",
                        "all-purpose 1:10–20; strip 1:4; wait 1–2 min; rinse off; no sun; for wheels, tyres, plastic; not for bare metal, leather; pH 12–13; 5 L 19.90 EUR; keeps 24 months; scent lemon; caution alkaline, not for paint",
                        5000,
                        "bought",
                        250,
                        240,
                        0,
                        700),
                new Told(
                        "Strawbale Tar Off",
                        "stripping",
                        "10–20 mL per panel; wait 1–2 min; rinse off; no sun; for paint, glass, chrome; not for plastic, rubber; 500 mL 9.80 EUR; keeps 24 months; caution solvent",
                        500,
                        "bought",
                        75,
                        40,
                        0,
                        60),
                new Told(
                        "Clearpane",
                        "glass",
                        "2–3 sprays per panel; buff; no sun; for glass, chrome; pH 9–10; 500 mL 6.40 EUR; keeps 24 months; no scent",
                        500,
                        "bought",
                        33,
                        30,
                        1.0,
                        90),
                new Told(
                        "Hedgerow Trim Balm",
                        "trim",
                        "2–4 mL per panel; wait 5–10 min; buff; 1–2 coats; dry 6 h; for trim, plastic, rubber; not for glass; lasts 10 washes; 250 mL 17.20 EUR; keeps 24 months; scent hazel",
                        250,
                        "sponsored",
                        40,
                        -1,
                        0,
                        0),
                new Told(
                        "Wetroad Tyre Foam",
                        "tyre",
                        "8–12 mL per tyre; no buff; dry 1 h; for tyres; not for brakes, wheels, paint; lasts 4 washes; 500 mL 8.90 EUR; keeps 24 months; caution aerosol, slippery, not for brakes or tread",
                        500,
                        "bought",
                        35,
                        28,
                        0,
                        85),
                new Told(
                        "Parlour Interior",
                        "interior",
                        "interior 1:10; all-purpose 1:20; buff; for plastic, fabric, leather; pH 8–9; 1 L 10.50 EUR; keeps 24 months; mix keeps 30 days; scent fig",
                        1000,
                        "bought",
                        66,
                        60,
                        0,
                        120),
                new Told(
                        "Gannet Spray Wax",
                        "spray-wax",
                        "2–4 sprays per panel; drying aid 1:8; wait 10–60 s; buff; panel 5–30 °C; no sun; for paint, glass; lasts 6–8 weeks; pH 6–7; 500 mL 15.80 EUR; keeps 18 months; scent salt",
                        500,
                        "bought",
                        20,
                        14,
                        1.2,
                        30));
    }

    static List<Mixed> mixes() {
        return List.of(
                new Mixed("Brackwater Wheel Acid", "wheels", "Spray bottle", 83.3, 416.7, 12),
                new Mixed("Pailmate Rinseless", "drying aid", "Pump sprayer", 32.8, 1967.2, 10),
                new Mixed("Curlew Foam", "foam", "Foam bottle", 100, 900, 4),
                new Mixed("Pailmate Rinseless", "rinseless", "Bucket", 49.8, 11_950.2, 3));
    }
}
