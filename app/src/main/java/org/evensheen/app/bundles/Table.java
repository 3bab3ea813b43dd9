package org.evensheen.app.bundles;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * The tables of a bundle, a CSV file each, with their fields and types as the Frictionless Table Schema names them; numbers after a type are
 * the version of the bundle that brought the field, and the last that had it.
 */
enum Table {
    STUDY("question:string first_day:date seed:integer key_open:boolean course:string:5", 1),
    BED(
            "name:string vehicle:string kind:string outline:string tilt_deg:number colour:string hardness:string carries:string lives:string",
            1),
    TRIMS("label:string outline:string", 200),
    ZONES("kind:string label:string x_mm:number y_mm:number width_mm:number height_mm:number", 200),
    PRODUCTS("name:string kind:string", 200),
    CLAIMS("product:string label:string", 200),
    CONTENDERS(
            "number:integer role:string name:string water_kind:string source:string kind:string:5 way:string:5", 100),
    SECTIONS(
            "code:string contender:integer block:integer x_mm:number y_mm:number width_mm:number height_mm:number by_hand:boolean name:string:4",
            500),
    PLAN("what:string position:integer day:integer code:string repeats:integer title:string why:string", 6000),
    EXPOSURES(
            "day:integer kind:string note:string kept_at:datetime kept_by:string step:integer:5 minute:integer:5",
            20_000),
    READINGS(
            "id:integer section:string day:integer stage:string measure:string repeat:integer amount:number:1:3 width_mm:number:1:3 "
                    + "water_kind:string:1:3 seen:string:4 kept_at:datetime kept_by:string replaces:integer struck_at:datetime struck_by:string "
                    + "struck_because:string take:integer:3",
            100_000),
    DEVIATIONS(
            "contender:integer day:integer job:string dose:string wait_seconds:number coats:integer label:string "
                    + "section:string:2 given:string:2",
            5000),
    NOTED("day:integer kind:string section:string words:string at:datetime kept_by:string", 5000),
    STEPS(
            "day:integer step:string passed:boolean note:string given:number used:string at:datetime kept_by:string",
            20_000),
    WEATHER(
            "day:integer air_c:number humidity:number panel_c:number wind_m_s:number light:string hardness_mg_l:number "
                    + "dark_at:datetime at:datetime kept_by:string",
            5000),
    SEEN("day:integer why:string sections:string seen_at:datetime seen_by:string", 2000),
    TAKES(
            "id:integer instrument:string amount:number second:number hertz:number samples:string said:string at:datetime kept_by:string",
            20_000),
    PHOTOS(
            "file:string section:string day:integer stage:string note:string at:datetime kept_at:datetime kept_by:string",
            2000);

    private final Map<String, String> fields = new TreeMap<>();
    private final Map<String, Integer> since = new TreeMap<>();
    private final Map<String, Integer> until = new TreeMap<>();
    private final List<String> names;
    private final int most;

    Table(String fields, int most) {
        this.names = Stream.of(fields.split(" ")).map(f -> f.split(":")[0]).toList();
        Stream.of(fields.split(" ")).map(f -> f.split(":")).forEach(f -> {
            this.fields.put(f[0], f[1]);
            since.put(f[0], f.length > 2 ? Integer.parseInt(f[2]) : 1);
            until.put(f[0], f.length > 3 ? Integer.parseInt(f[3]) : BundleWriter.VERSION);
        });
        this.most = most;
    }

    String title() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    String path() {
        return title() + ".csv";
    }

    /** Fields that a bundle of today has. */
    List<String> names() {
        return names(BundleWriter.VERSION);
    }

    /** Fields that a bundle of any version has. */
    List<String> everNames() {
        return names;
    }

    /** Fields that a bundle of a version has. */
    List<String> names(int version) {
        return names.stream()
                .filter(n -> since.getOrDefault(n, 1) <= version && version <= until.getOrDefault(n, version))
                .toList();
    }

    String type(String field) {
        return fields.get(field);
    }

    /** The version of the bundle from which on it is there; before, it is empty. */
    int since() {
        return compareTo(SEEN) >= 0 ? 3 : compareTo(NOTED) >= 0 ? 2 : 1;
    }

    /** Most rows it may have. */
    int most() {
        return most;
    }

    static Optional<Table> at(String path) {
        return Stream.of(values()).filter(t -> t.path().equals(path)).findFirst();
    }
}
