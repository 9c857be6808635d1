package org.mapsel.standins.yard;

import java.math.BigDecimal;
import java.net.URI;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TimeZone;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.olingo.commons.api.data.Entity;
import org.apache.olingo.commons.api.data.Property;
import org.apache.olingo.commons.api.data.ValueType;

/** What Yard knows: the same every time it starts. Every method is a transaction of its own. */
final class YardData {

  private static final Instant START = Instant.parse("2031-05-14T06:40:00Z");

  private final Map<String, List<Entity>> sets = new ConcurrentHashMap<>();

  /** Which crane does a job. */
  private final Map<String, Integer> craneOf = new ConcurrentHashMap<>();

  /** The files of lots and photos, by the id of their owner and their name. */
  private final Map<String, StoredFile> files = new ConcurrentHashMap<>();

  /** How many were deleted, so that no number is given twice. */
  private int gone;

  /** A file as it was sent. */
  record StoredFile(byte[] bytes, String mediaType) {}

  YardData() {
    String[] names = {
      "Old Meg",
      "Heron",
      "Stilt",
      "Grab One",
      "Grab Two",
      "Long Tom",
      "Tern",
      "Curlew",
      "Knot",
      "Ibis",
      "Dipper",
      "Egret"
    };
    for (int i = 0; i < names.length; i++) {
      crane(
          names[i], i % 4 == 3 ? "Broken" : i % 2 == 0 ? "Idle" : "Working", 8 + 3.5 * i, 1988 + i);
    }
    String[] goods = {"grain", "gravel", "timber", "scrap"};
    for (int i = 0; i < 9; i++) {
      String code = "J-" + (2041 + i);
      Entity job = new Entity();
      put(job, "Code", code);
      put(job, "Begins", Timestamp.from(START.plusSeconds(5_400L * i)));
      put(job, "Tonnes", BigDecimal.valueOf(1_250L + 75L * i, 1));
      put(job, "Goods", goods[i % goods.length]);
      craneOf.put(code, 1 + i % 3);
      add("Jobs", job, "Jobs('" + code + "')");
    }
    for (int i = 0; i < 8; i++) {
      Entity lot = new Entity();
      put(lot, "Row", i < 4 ? "A" : "B");
      put(lot, "Bay", (short) (i % 4 + 1));
      put(lot, "Holds", i % 3 == 0 ? null : goods[i % goods.length]);
      put(lot, "Free", BigDecimal.valueOf(400L - 35L * i, 1));
      add("Lots", lot, "Lots(Row='" + (i < 4 ? "A" : "B") + "',Bay=" + (i % 4 + 1) + ")");
    }
  }

  private void crane(String name, String state, double lifts, int year) {
    Entity crane = new Entity();
    put(crane, "Name", name);
    put(crane, "State", state);
    put(crane, "Lifts", BigDecimal.valueOf(lifts));
    GregorianCalendar built = new GregorianCalendar(TimeZone.getTimeZone("UTC"));
    built.clear();
    built.set(year, year % 12, 1 + year % 28);
    put(crane, "Built", built);
    put(crane, "Checked", Timestamp.from(START.minusSeconds(86_400L * (year % 40))));
    put(crane, "Electric", year % 2 == 0);
    create("Cranes", crane);
  }

  private static void put(Entity entity, String name, Object value) {
    entity.addProperty(new Property(null, name, ValueType.PRIMITIVE, value));
  }

  private void add(String set, Entity entity, String id) {
    entity.setId(URI.create(id));
    sets.computeIfAbsent(set, name -> new ArrayList<>()).add(entity);
  }

  synchronized List<Entity> all(String set) {
    return new ArrayList<>(sets.getOrDefault(set, List.of()));
  }

  /** The entity with these key values; null if there is none. */
  synchronized Entity find(String set, Map<String, String> keys) {
    return all(set).stream()
        .filter(
            entity ->
                keys.entrySet().stream()
                    .allMatch(
                        key ->
                            Objects.toString(entity.getProperty(key.getKey()).getValue())
                                .equals(key.getValue())))
        .findFirst()
        .orElse(null);
  }

  synchronized Entity create(String set, Entity entity) {
    switch (set) {
      case "Cranes" -> {
        entity.setETag("W/\"1\"");
        numbered(set, entity);
      }
      case "Photos" -> numbered(set, entity);
      case "Jobs" -> add(set, entity, "Jobs('" + entity.getProperty("Code").getValue() + "')");
      default -> add(set, entity, set + "/" + all(set).size());
    }
    return entity;
  }

  private void numbered(String set, Entity entity) {
    int id = all(set).size() + 1 + gone;
    entity.getProperties().removeIf(property -> property.getName().equals("Id"));
    entity.getProperties().add(0, new Property(null, "Id", ValueType.PRIMITIVE, id));
    add(set, entity, set + "(" + id + ")");
  }

  /** The entity that an address ends in; null if there is none. */
  synchronized Entity named(String address) {
    return sets.values().stream()
        .flatMap(List::stream)
        .filter(entity -> address.endsWith(entity.getId().toString()))
        .findFirst()
        .orElse(null);
  }

  synchronized void give(Entity crane, Entity job) {
    craneOf.put(
        (String) job.getProperty("Code").getValue(), (Integer) crane.getProperty("Id").getValue());
  }

  void keep(Entity owner, String name, StoredFile file) {
    files.put(owner.getId() + "/" + name, file);
  }

  /** Null if there is none. */
  StoredFile file(Entity owner, String name) {
    return files.get(owner.getId() + "/" + name);
  }

  synchronized void change(Entity entity, Entity changes) {
    for (Property changed : changes.getProperties()) {
      Property own = entity.getProperty(changed.getName());
      if (own == null) {
        entity.addProperty(changed);
      } else if (!changed.getName().equals("Id")) {
        own.setValue(changed.getValueType(), changed.getValue());
      }
    }
    if (entity.getETag() != null) {
      int state = Integer.parseInt(entity.getETag().replaceAll("\\D", ""));
      entity.setETag("W/\"" + (state + 1) + "\"");
    }
  }

  synchronized void delete(String set, Entity entity) {
    sets.get(set).remove(entity);
    gone++;
  }

  synchronized List<Entity> jobsOf(Entity crane) {
    Object id = crane.getProperty("Id").getValue();
    return all("Jobs").stream()
        .filter(job -> id.equals(craneOf.get(job.getProperty("Code").getValue())))
        .toList();
  }

  synchronized Entity craneOf(Entity job) {
    Object code = job.getProperty("Code").getValue();
    return find("Cranes", Map.of("Id", String.valueOf(craneOf.get(code))));
  }
}
