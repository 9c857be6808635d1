package org.mapsel.server.tables;

import static org.mapsel.server.schema.Tables.OFFERED;
import static org.mapsel.server.schema.Tables.OFFERED_CLIENT;
import static org.mapsel.server.schema.Tables.OFFERED_REQUEST;

import java.time.OffsetDateTime;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.table.TableOffer;
import org.mapsel.server.schema.tables.records.OfferedRecord;
import org.mapsel.server.schema.tables.records.OfferedRequestRecord;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Offers, who may ask them, and who did. */
@Repository
class OfferStore {

  /** So many of the last requests are kept for each offer. */
  private static final int KEPT_REQUESTS = 5_000;

  /**
   * An offer as it is kept.
   *
   * @param places where the rows of each table stand, by the table's name
   */
  record KeptOffer(
      String id,
      TableOffer offer,
      Map<String, String> places,
      boolean keyed,
      boolean paused,
      int perMinute,
      OffsetDateTime madeAt) {

    String place(OfferedTable table) {
      return Objects.requireNonNull(places.get(table.name()), table.name());
    }

    KeptOffer at(TableOffer other, Map<String, String> others) {
      return new KeptOffer(id, other, others, keyed, paused, perMinute, madeAt);
    }
  }

  /** Somebody who may ask. */
  record KeptClient(String id, String name, OffsetDateTime madeAt) {}

  /** A request that was answered. */
  record KeptRequest(
      OffsetDateTime at, @Nullable String client, String operation, int status, long tookMillis) {}

  private final DSLContext sql;
  private final JsonMapper json;

  OfferStore(DSLContext sql, JsonMapper json) {
    this.sql = sql;
    this.json = json;
  }

  List<KeptOffer> all() {
    return sql.selectFrom(OFFERED).orderBy(OFFERED.ID).fetch(this::offer);
  }

  private KeptOffer offer(OfferedRecord kept) {
    return new KeptOffer(
        kept.getId(),
        json.readValue(kept.getOffer().data(), TableOffer.class),
        json.readValue(kept.getPlaces().data(), new TypeReference<Map<String, String>>() {}),
        kept.getKeyed(),
        kept.getPaused(),
        kept.getPerMinute(),
        kept.getMadeAt());
  }

  void put(KeptOffer offer) {
    OfferedRecord kept = sql.newRecord(OFFERED);
    kept.setId(offer.id());
    kept.setOffer(JSONB.valueOf(json.writeValueAsString(offer.offer())));
    kept.setPlaces(JSONB.valueOf(json.writeValueAsString(offer.places())));
    kept.setKeyed(offer.keyed());
    kept.setPaused(offer.paused());
    kept.setPerMinute(offer.perMinute());
    kept.setMadeAt(offer.madeAt());
    sql.insertInto(OFFERED).set(kept).onConflict(OFFERED.ID).doUpdate().set(kept).execute();
  }

  void remove(String id) {
    sql.deleteFrom(OFFERED).where(OFFERED.ID.eq(id)).execute();
  }

  List<KeptClient> clients(String offer) {
    return sql.selectFrom(OFFERED_CLIENT)
        .where(OFFERED_CLIENT.OFFERED_ID.eq(offer))
        .orderBy(OFFERED_CLIENT.MADE_AT)
        .fetch(kept -> new KeptClient(kept.getId(), kept.getName(), kept.getMadeAt()));
  }

  void addClient(String offer, KeptClient client, String hash) {
    sql.insertInto(OFFERED_CLIENT)
        .set(OFFERED_CLIENT.ID, client.id())
        .set(OFFERED_CLIENT.OFFERED_ID, offer)
        .set(OFFERED_CLIENT.NAME, client.name())
        .set(OFFERED_CLIENT.KEY_HASH, hash)
        .set(OFFERED_CLIENT.MADE_AT, client.madeAt())
        .execute();
  }

  void removeClient(String offer, String client) {
    sql.deleteFrom(OFFERED_CLIENT)
        .where(OFFERED_CLIENT.OFFERED_ID.eq(offer), OFFERED_CLIENT.ID.eq(client))
        .execute();
  }

  /** The names of those who may ask an offer, by the hash of their key. */
  Map<String, String> keys(String offer) {
    return sql.selectFrom(OFFERED_CLIENT)
        .where(OFFERED_CLIENT.OFFERED_ID.eq(offer))
        .fetchMap(OFFERED_CLIENT.KEY_HASH, OFFERED_CLIENT.NAME);
  }

  void addRequests(Map<String, List<KeptRequest>> requests) {
    Set<String> known = new HashSet<>(sql.select(OFFERED.ID).from(OFFERED).fetch(OFFERED.ID));
    requests.keySet().retainAll(known);
    sql.batchInsert(
            requests.entrySet().stream()
                .flatMap(entry -> entry.getValue().stream().map(one -> record(entry.getKey(), one)))
                .toList())
        .execute();
    for (String offer : requests.keySet()) {
      sql.deleteFrom(OFFERED_REQUEST)
          .where(
              OFFERED_REQUEST.OFFERED_ID.eq(offer),
              OFFERED_REQUEST.ID.le(
                  DSL.select(OFFERED_REQUEST.ID)
                      .from(OFFERED_REQUEST)
                      .where(OFFERED_REQUEST.OFFERED_ID.eq(offer))
                      .orderBy(OFFERED_REQUEST.ID.desc())
                      .offset(KEPT_REQUESTS)
                      .limit(1)))
          .execute();
    }
  }

  private OfferedRequestRecord record(String offer, KeptRequest request) {
    OfferedRequestRecord record = sql.newRecord(OFFERED_REQUEST);
    record.setOfferedId(offer);
    record.setAt(request.at());
    record.setClient(request.client());
    record.setOperation(request.operation());
    record.setStatus(request.status());
    record.setTookMillis(request.tookMillis());
    return record;
  }

  List<KeptRequest> requests(String offer, int most) {
    return sql.selectFrom(OFFERED_REQUEST)
        .where(OFFERED_REQUEST.OFFERED_ID.eq(offer))
        .orderBy(OFFERED_REQUEST.ID.desc())
        .limit(most)
        .fetch(
            kept ->
                new KeptRequest(
                    kept.getAt(),
                    kept.getClient(),
                    kept.getOperation(),
                    kept.getStatus(),
                    kept.getTookMillis()));
  }
}
