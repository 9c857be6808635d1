package org.mapsel.server.tables;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import org.apache.commons.codec.digest.DigestUtils;
import org.mapsel.core.serve.OfferedService;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.table.TableOffer;
import org.mapsel.core.value.RecordValue;
import org.mapsel.server.services.Ids;
import org.mapsel.server.tables.OfferStore.KeptClient;
import org.mapsel.server.tables.OfferStore.KeptOffer;
import org.mapsel.server.tables.TableViews.ClientView;
import org.mapsel.server.tables.TableViews.NewClientView;
import org.mapsel.server.tables.TableViews.OfferSettings;
import org.mapsel.server.web.Problem;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** The tables that are offered. */
@Component
public class Offers {

  private static final int USUAL_PER_MINUTE = 6_000;
  private static final int KEY_BYTES = 24;

  /** An offer, ready to be asked. */
  record Ready(KeptOffer kept, OfferedService service, Map<String, String> keys) {}

  private final OfferStore store;
  private final RowStore rows;
  private final Clock clock;
  private final Map<String, Ready> ready = new ConcurrentHashMap<>();
  private final SecureRandom random = new SecureRandom();
  private volatile String base = "";

  Offers(OfferStore store, RowStore rows, Clock clock) {
    this.store = store;
    this.rows = rows;
    this.clock = clock;
  }

  /** Takes up what was offered before, once it is known where this server listens. */
  @EventListener
  void listening(WebServerInitializedEvent event) {
    base = "http://localhost:" + event.getWebServer().getPort() + "/offered/";
    List<KeptOffer> all = store.all();
    Set<String> used = new HashSet<>();
    all.forEach(kept -> used.addAll(kept.places().values()));
    rows.tidy(used);
    all.forEach(this::open);
  }

  private void open(KeptOffer kept) {
    ready.put(
        kept.id(),
        new Ready(
            kept,
            new OfferedService(
                kept.offer(), base + kept.id(), kept.keyed(), rows.rows(kept::place)),
            store.keys(kept.id())));
  }

  /** Where an offer is asked for. */
  String address(String id) {
    return base + id;
  }

  Optional<Ready> find(String id) {
    return Optional.ofNullable(ready.get(id));
  }

  KeptOffer kept(String id) {
    return find(id)
        .map(Ready::kept)
        .orElseThrow(() -> Problem.missing("SERVER_OFFER_MISSING", "offer", id));
  }

  List<KeptOffer> all() {
    return store.all();
  }

  /** Offers tables whose rows are there. */
  synchronized String add(TableOffer offer, Map<String, String> places, boolean keyed) {
    String id = Ids.of(offer.name(), "tables", ready::containsKey);
    keep(
        new KeptOffer(
            id, offer, places, keyed, false, USUAL_PER_MINUTE, OffsetDateTime.now(clock)));
    return id;
  }

  private void keep(KeptOffer kept) {
    store.put(kept);
    open(kept);
  }

  synchronized void set(String id, OfferSettings settings) {
    KeptOffer kept = kept(id);
    keep(
        new KeptOffer(
            id,
            kept.offer(),
            kept.places(),
            settings.keyed(),
            settings.paused(),
            Math.max(1, settings.perMinute()),
            kept.madeAt()));
  }

  /**
   * Other rows come in place of those that are offered, all at once. Those before are let go when
   * rows are replaced the next time, so that whoever just reads them may end.
   */
  synchronized void replace(String id, TableOffer offer, Map<String, String> places) {
    KeptOffer kept = kept(id);
    keep(kept.at(offer, places));
    Set<String> used = new HashSet<>(kept.places().values());
    store.all().forEach(one -> used.addAll(one.places().values()));
    rows.tidy(used);
  }

  synchronized void remove(String id) {
    KeptOffer kept = kept(id);
    ready.remove(id);
    store.remove(id);
    kept.places().values().forEach(rows::drop);
  }

  /** Goes through all rows of a table. */
  void each(KeptOffer kept, OfferedTable table, Consumer<RecordValue> reader) {
    rows.each(kept.place(table), table, reader);
  }

  long count(KeptOffer kept, OfferedTable table) {
    return rows.count(kept.place(table));
  }

  List<KeptClient> clients(String id) {
    return store.clients(id);
  }

  /** Lets somebody else ask. */
  synchronized NewClientView addClient(String id, String name) {
    KeptOffer kept = kept(id);
    byte[] bytes = new byte[KEY_BYTES];
    random.nextBytes(bytes);
    String key = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    KeptClient client =
        new KeptClient(UUID.randomUUID().toString(), name, OffsetDateTime.now(clock));
    store.addClient(id, client, hash(key));
    open(kept);
    return new NewClientView(new ClientView(client.id(), client.name(), client.madeAt()), key);
  }

  synchronized void removeClient(String id, String client) {
    store.removeClient(id, client);
    open(kept(id));
  }

  /** Keys are long and random, so that a plain hash tells nothing of them. */
  static String hash(String key) {
    return DigestUtils.sha256Hex(key);
  }
}
