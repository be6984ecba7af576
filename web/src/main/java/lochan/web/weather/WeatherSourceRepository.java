package lochan.web.weather;

import static lochan.web.db.Tables.WEATHER_SOURCE;

import java.util.Optional;
import lochan.web.eventbook.EventKey;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The addresses that the weather of events is asked at. */
@Repository
class WeatherSourceRepository {

    private final DSLContext db;

    WeatherSourceRepository(DSLContext db) {
        this.db = db;
    }

    private static Condition of(EventKey key) {
        return WEATHER_SOURCE.EVENT_ID.eq(key.eventId()).and(WEATHER_SOURCE.ACCOUNT_ID.eq(key.accountId()));
    }

    Optional<WeatherSource> find(EventKey key) {
        return db.selectFrom(WEATHER_SOURCE)
                .where(of(key))
                .fetchOptional(r -> new WeatherSource(
                        r.getAddress(),
                        r.getEveryMinutes(),
                        r.getForm(),
                        r.getHours(),
                        r.getLeftOut(),
                        r.getTriedAt(),
                        r.getAnsweredAt(),
                        r.getTrouble()));
    }

    void put(EventKey key, WeatherSource source) {
        remove(key);
        db.insertInto(WEATHER_SOURCE)
                .set(db.newRecord(WEATHER_SOURCE)
                        .setEventId(key.eventId())
                        .setAccountId(key.accountId())
                        .setAddress(source.address())
                        .setEveryMinutes(source.everyMinutes())
                        .setForm(source.form())
                        .setHours(source.hours())
                        .setLeftOut(source.leftOut())
                        .setTriedAt(source.triedAt())
                        .setAnsweredAt(source.answeredAt())
                        .setTrouble(source.trouble()))
                .execute();
    }

    void remove(EventKey key) {
        db.deleteFrom(WEATHER_SOURCE).where(of(key)).execute();
    }
}
