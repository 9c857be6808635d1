package org.mapsel.standins.berthing;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.springframework.stereotype.Component;

/** Vessels and arrivals, made up the same way at every start. */
@Component
class Fleet {

  static final LocalDate FIRST_DAY = LocalDate.of(2031, 5, 12);
  static final int DAYS = 14;
  private static final int ARRIVALS = 336;
  private static final int VESSELS = 48;

  private static final List<String> FIRST =
      List.of("Marrow", "Salt", "Grey", "Lantern", "Thistle", "Copper", "Hollow", "Winter");
  private static final List<String> SECOND =
      List.of("Tern", "Heron", "Wren", "Plover", "Petrel", "Curlew");
  private static final List<String> KINDS =
      List.of("coaster", "trawler", "ferry", "tanker", "dredger");
  private static final List<String> PORTS =
      List.of("Ebbwick", "Low Sandle", "Port Merrin", "Skarholm", "Tarn Quay", "Vellamouth");
  private static final List<String> PEOPLE =
      List.of("A. Brandle", "I. Corvane", "M. Dunmere", "O. Fensby", "R. Holloway", "T. Quill");
  private static final List<String> HOUSES =
      List.of("Merrin & Daughters", "Tidewater Agency", "Saltmere Shipping", "Quill Brothers");
  private static final List<String> GOODS =
      List.of(
          "barley",
          "herring on ice",
          "roof slate",
          "timber",
          "road salt",
          "glass",
          "machine parts",
          "cider");
  static final List<String> BASINS = List.of("north", "south", "inner");
  private static final List<String> STATES =
      List.of("expected", "expected", "delayed", "alongside", "cancelled");

  /** A vessel: its fields in the order of the schema. */
  record Vessel(Map<String, String> fields) {
    String hullNumber() {
      return fields.get("hullNumber");
    }

    BigDecimal draught() {
      return new BigDecimal(fields.get("draughtMetres"));
    }
  }

  /** What a vessel carries. */
  record Cargo(String goods, String tonnes, int packages, boolean hazardous) {}

  /** A vessel expected in the harbour. */
  record Arrival(
      long id,
      Vessel vessel,
      LocalDateTime eta,
      String basin,
      String berth,
      String state,
      boolean pilot,
      String lastPort,
      String agent,
      List<Cargo> cargo) {}

  private final Map<String, Vessel> vessels = new LinkedHashMap<>();
  private final List<Arrival> arrivals = new ArrayList<>();

  Fleet() {
    Random random = new Random(20_417);
    for (int i = 0; i < VESSELS; i++) {
      Vessel vessel = vessel(i, random);
      vessels.put(vessel.hullNumber(), vessel);
    }
    List<Vessel> all = List.copyOf(vessels.values());
    for (int i = 0; i < ARRIVALS; i++) {
      arrivals.add(arrival(i, all.get(random.nextInt(all.size())), random));
    }
    arrivals.sort(Comparator.comparing(Arrival::eta));
  }

  Optional<Vessel> vessel(String hullNumber) {
    return Optional.ofNullable(vessels.get(hullNumber));
  }

  int vesselCount() {
    return vessels.size();
  }

  List<Arrival> arrivals(LocalDate day, Optional<String> basin) {
    return arrivals.stream()
        .filter(arrival -> arrival.eta().toLocalDate().equals(day))
        .filter(arrival -> basin.isEmpty() || arrival.basin().equals(basin.get()))
        .toList();
  }

  List<Arrival> arrivals() {
    return List.copyOf(arrivals);
  }

  private static <T> T one(List<T> of, Random random) {
    return of.get(random.nextInt(of.size()));
  }

  private static String metres(double least, double span, Random random) {
    return BigDecimal.valueOf(Math.round((least + random.nextDouble() * span) * 10), 1).toString();
  }

  private static Vessel vessel(int number, Random random) {
    Map<String, String> f = new LinkedHashMap<>();
    f.put("hullNumber", "S-" + (20_400 + number));
    f.put("name", FIRST.get(number % FIRST.size()) + " " + SECOND.get(number / FIRST.size()));
    f.put("callSign", "SM" + (char) ('A' + number % 26) + (1 + number % 9));
    if (number % 5 == 0) {
      f.put("formerName", "Old " + SECOND.get(number % SECOND.size()));
    }
    f.put("kind", one(KINDS, random));
    f.put("flag", "Saltmere");
    f.put("homePort", one(PORTS, random));
    f.put("builtYear", String.valueOf(1988 + random.nextInt(40)));
    f.put("builder", one(PORTS, random) + " Yard");
    f.put("owner", one(HOUSES, random));
    f.put("operator", one(HOUSES, random));
    f.put("lengthMetres", metres(28, 110, random));
    f.put("beamMetres", metres(7, 15, random));
    f.put("draughtMetres", metres(2.5, 7, random));
    f.put("airDraughtMetres", metres(12, 25, random));
    f.put("grossTonnage", String.valueOf(300 + random.nextInt(9_000)));
    f.put("netTonnage", String.valueOf(150 + random.nextInt(4_000)));
    f.put("deadweightTonnes", String.valueOf(500 + random.nextInt(12_000)));
    f.put("enginePowerKw", String.valueOf(400 + random.nextInt(7_000)));
    f.put("serviceSpeedKnots", metres(8, 14, random));
    f.put("bowThruster", String.valueOf(random.nextBoolean()));
    f.put("sternThruster", String.valueOf(random.nextBoolean()));
    f.put("propellers", String.valueOf(1 + random.nextInt(2)));
    if (random.nextInt(4) == 0) {
      f.put("iceClass", "B");
    }
    f.put("holds", String.valueOf(random.nextInt(5)));
    f.put("hatches", String.valueOf(random.nextInt(6)));
    f.put("craneCount", String.valueOf(random.nextInt(3)));
    f.put("reeferPlugs", String.valueOf(random.nextInt(40)));
    f.put("passengers", String.valueOf(random.nextInt(300)));
    f.put("crew", String.valueOf(4 + random.nextInt(20)));
    f.put("master", one(PEOPLE, random));
    f.put("agent", one(HOUSES, random));
    f.put("insuredUntil", FIRST_DAY.plusDays(random.nextInt(700)).toString());
    f.put("lastSurvey", FIRST_DAY.minusDays(random.nextInt(700)).toString());
    f.put("nextSurvey", FIRST_DAY.plusDays(random.nextInt(700)).toString());
    f.put("lastDryDock", FIRST_DAY.minusDays(random.nextInt(1_500)).toString());
    f.put("wasteDeclared", String.valueOf(random.nextBoolean()));
    f.put("pilotExempt", String.valueOf(random.nextInt(3) == 0));
    if (random.nextInt(5) == 0) {
      f.put("hazardClass", "3");
    }
    if (random.nextInt(3) == 0) {
      f.put("remarks", "Berth port side to; <fenders> & lines from the quay.");
    }
    f.put("updatedAt", FIRST_DAY.minusDays(random.nextInt(30)) + "T08:15:00Z");
    return new Vessel(f);
  }

  private static Arrival arrival(int number, Vessel vessel, Random random) {
    String basin = one(BASINS, random);
    List<Cargo> cargo = new ArrayList<>();
    for (int i = random.nextInt(5); i > 0; i--) {
      cargo.add(
          new Cargo(
              one(GOODS, random),
              metres(2, 400, random),
              1 + random.nextInt(90),
              random.nextInt(9) == 0));
    }
    return new Arrival(
        700_000L + number,
        vessel,
        FIRST_DAY.plusDays(number % DAYS).atTime(random.nextInt(24), 10 * random.nextInt(6)),
        basin,
        basin.substring(0, 1).toUpperCase(Locale.ROOT) + (1 + random.nextInt(6)),
        one(STATES, random),
        random.nextBoolean(),
        one(PORTS, random),
        one(HOUSES, random),
        cargo);
  }
}
