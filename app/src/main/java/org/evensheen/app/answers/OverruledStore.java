package org.evensheen.app.answers;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import org.evensheen.app.mixer.RateStore;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.cost.Rate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What a reviewer said against derived advice; the latest of a product stands. */
@Component
class OverruledStore {
    private final JdbcClient database;
    private final ProfileStore profiles;

    OverruledStore(JdbcClient database, ProfileStore profiles) {
        this.database = database;
        this.profiles = profiles;
    }

    /** Another advice, with its reason. */
    record Overruled(int contender, String advice, String reason, String by) {}

    /** Readers of the reviewer's own, what was said against advice on a study or an afternoon, and what currencies are worth, in one statement. */
    record Aside(List<Profile> own, Map<Integer, Overruled> said, List<Rate> rates) {
        /** Readers that come with the program, and the reviewer's own. */
        List<Profile> readers() {
            return Stream.concat(Profile.shipped().stream(), own.stream()).toList();
        }

        /** One of them by their code; the first for one that is not known. */
        Profile reader(String code) {
            return readers().stream()
                    .filter(p -> p.code().equals(code))
                    .findFirst()
                    .orElse(readers().get(0));
        }
    }

    Aside aside(Matter of) {
        List<Profile> own = new ArrayList<>();
        Map<Integer, Overruled> said = new TreeMap<>();
        List<Rate> rates = new ArrayList<>();
        database.sql(("""
                        select 'profile' as what, id, name as one, weights::text as two, '' as by,
                               '' as base, '' as quote, null::numeric as worth, null::date as stated_on from profile
                        union all
                        select 'overruled', contender, advice, reason, said_by, '', '', null, null from (
                            select distinct on (contender) contender, advice, reason, said_by from overruled
                            where %s = :of order by contender, id desc) o
                        union all
                        select 'rate', 0, '', '', '', base, quote, worth, stated_on from (""" + RateStore.LATEST + """
                        ) r
                        order by what, id""").formatted(of.column()))
                .param("of", of.key())
                .query((row, n) -> {
                    if (row.getString("what").equals("profile")) {
                        own.add(profiles.own(row.getLong("id"), row.getString("one"), row.getString("two")));
                    } else if (row.getString("what").equals("rate")) {
                        rates.add(RateStore.rate(row));
                    } else if (!row.getString("one").equals("derived")) {
                        said.put(
                                row.getInt("id"),
                                new Overruled(
                                        row.getInt("id"),
                                        row.getString("one"),
                                        row.getString("two"),
                                        row.getString("by")));
                    }
                    return n;
                })
                .list();
        return new Aside(own, said, rates);
    }

    /** Keeps it once by the page's key. */
    void keep(Matter of, Overruled overruled, UUID key) {
        database.sql("""
                        insert into overruled (%s, contender, advice, reason, said_by, page_key)
                        values (:of, :contender, :advice, :reason, :by, :key) on conflict (page_key) do nothing""".formatted(of.column()))
                .param("of", of.key())
                .param("contender", overruled.contender())
                .param("advice", overruled.advice())
                .param("reason", overruled.reason())
                .param("by", overruled.by())
                .param("key", key)
                .update();
    }
}
