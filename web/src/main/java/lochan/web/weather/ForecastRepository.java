package lochan.web.weather;

import static lochan.web.db.Tables.FORECAST_PERIOD;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.Coded;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.ForecastPeriodBuilder;
import lochan.core.practice.Sky;
import lochan.web.eventbook.EventKey;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.TableRecord;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** The weather of events: what holds, and what was there before it. */
@Repository
class ForecastRepository {

    private final DSLContext db;

    ForecastRepository(DSLContext db) {
        this.db = db;
    }

    List<ForecastPeriod> current(EventKey key) {
        return db.selectFrom(FORECAST_PERIOD)
                .where(ofForecast(key))
                .and(FORECAST_PERIOD.REPLACED_AT.isNull())
                .orderBy(FORECAST_PERIOD.FROM_AT, FORECAST_PERIOD.ORDINAL)
                .fetch(r -> ForecastPeriodBuilder.builder()
                        .from(r.getFromAt())
                        .to(r.getToAt())
                        .windMps(r.getWindMps())
                        .gustMps(r.getGustMps())
                        .windFromDeg(r.getWindFromDeg())
                        .sky(Coded.getOrNull(Sky.class, r.getSky()))
                        .rainMm(r.getRainMm())
                        .thunderChance(r.getThunderChance())
                        .airTempC(r.getAirTempC())
                        .pressureHpa(r.getPressureHpa())
                        .waterTempC(r.getWaterTempC())
                        .visibilityM(r.getVisibilityM())
                        .lightning(r.getLightning())
                        .origin(Coded.get(ForecastPeriod.Origin.class, r.getOrigin()))
                        .build());
    }

    private static Condition ofForecast(EventKey key) {
        return FORECAST_PERIOD.EVENT_ID.eq(key.eventId()).and(FORECAST_PERIOD.ACCOUNT_ID.eq(key.accountId()));
    }

    /** Puts another forecast in the place of the one there is, which is kept. */
    void replace(EventKey key, List<ForecastPeriod> forecast, Instant now) {
        db.deleteFrom(FORECAST_PERIOD)
                .where(ofForecast(key))
                .and(FORECAST_PERIOD.REPLACED_AT.isNotNull())
                .execute();
        db.update(FORECAST_PERIOD)
                .set(FORECAST_PERIOD.REPLACED_AT, now)
                .where(ofForecast(key))
                .execute();
        add(key, forecast);
    }

    /** Puts hours of a service in the place of those that it, or a file, gave for the same time; what was there before is not kept. */
    void refresh(EventKey key, List<ForecastPeriod> hours) {
        db.deleteFrom(FORECAST_PERIOD)
                .where(ofForecast(key))
                .and(FORECAST_PERIOD.REPLACED_AT.isNull())
                .and(FORECAST_PERIOD.ORIGIN.ne(ForecastPeriod.Origin.TYPED.code()))
                .and(FORECAST_PERIOD.FROM_AT.lt(hours.getLast().to()))
                .and(FORECAST_PERIOD.TO_AT.gt(hours.getFirst().from()))
                .execute();
        add(key, hours);
    }

    /** Swaps the forecast with the one before it. */
    void swap(EventKey key, Instant now) {
        db.update(FORECAST_PERIOD)
                .set(
                        FORECAST_PERIOD.REPLACED_AT,
                        DSL.when(FORECAST_PERIOD.REPLACED_AT.isNull(), DSL.val(now, FORECAST_PERIOD.REPLACED_AT)))
                .where(ofForecast(key))
                .execute();
    }

    void add(EventKey key, List<ForecastPeriod> forecast) {
        int next = db.select(DSL.coalesce(DSL.max(FORECAST_PERIOD.ORDINAL), -1))
                        .from(FORECAST_PERIOD)
                        .where(ofForecast(key))
                        .fetchSingle()
                        .value1()
                + 1;
        List<TableRecord<?>> rows = new ArrayList<>();
        for (ForecastPeriod f : forecast) {
            rows.add(db.newRecord(FORECAST_PERIOD)
                    .setEventId(key.eventId())
                    .setAccountId(key.accountId())
                    .setOrdinal(next + rows.size())
                    .setFromAt(f.from())
                    .setToAt(f.to())
                    .setWindMps(f.windMps())
                    .setGustMps(f.gustMps())
                    .setWindFromDeg(f.windFromDeg())
                    .setSky(f.sky() == null ? null : f.sky().code())
                    .setRainMm(f.rainMm())
                    .setThunderChance(f.thunderChance())
                    .setAirTempC(f.airTempC())
                    .setPressureHpa(f.pressureHpa())
                    .setWaterTempC(f.waterTempC())
                    .setVisibilityM(f.visibilityM())
                    .setLightning(f.lightning())
                    .setOrigin(f.origin().code()));
        }
        db.batchInsert(rows).execute();
    }
}
