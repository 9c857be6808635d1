package org.mapsel.standins.tides;

import java.time.Duration;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import org.mapsel.standins.tides.TidesController.Height;
import org.mapsel.standins.tides.TidesController.Level;
import org.mapsel.standins.tides.TidesController.NewWarning;
import org.mapsel.standins.tides.TidesController.Station;
import org.mapsel.standins.tides.TidesController.Warning;
import org.springframework.stereotype.Component;

/** What Tides knows: the same every time it starts. */
@Component
class Sea {

  private static final OffsetDateTime START =
      OffsetDateTime.of(2031, 5, 14, 6, 40, 0, 0, ZoneOffset.UTC);

  /** Hours from one high water to the next. */
  private static final double PERIOD = 12.42;

  private final List<Station> stations =
      List.of(
          new Station("OUT", "Outer pier", 54.251, -0.124, LocalDate.of(1998, 3, 1)),
          new Station("LOC", "Lock gate", 54.247, -0.131, LocalDate.of(2004, 9, 12)),
          new Station("SIL", "Silt basin", 54.244, -0.138, null),
          new Station("HOR", "Horn point", 54.263, -0.102, LocalDate.of(2017, 1, 5)));
  private final List<Warning> warnings = new CopyOnWriteArrayList<>();

  Sea() {
    String[] texts = {
      "Surge expected at high water.",
      "Fog on the outer pier.",
      "Dredger working in the fairway.",
      "Lock gate closed for repair.",
      "Strong eddies at Horn point.",
      "Light out of order.",
      "Low water below chart datum."
    };
    for (int i = 0; i < texts.length; i++) {
      warnings.add(
          new Warning(
              i + 1L,
              stations.get(i % stations.size()).code(),
              Level.values()[i % Level.values().length],
              texts[i],
              START.plusHours(6L * (i + 1))));
    }
  }

  /** Every station, and as many invented ones as are asked for. */
  List<Station> stations(int more) {
    List<Station> all = new ArrayList<>(stations);
    for (int i = 1; i <= more; i++) {
      all.add(new Station("X%05d".formatted(i), "Buoy " + i, 54.2 + i / 1e5, -0.1, null));
    }
    return all;
  }

  Optional<Station> station(String code) {
    return stations.stream().filter(station -> station.code().equals(code)).findFirst();
  }

  List<Height> heights(String code, LocalDate day, int everyMinutes) {
    List<Height> heights = new ArrayList<>();
    OffsetDateTime midnight = day.atStartOfDay().atOffset(ZoneOffset.UTC);
    for (int minute = 0; minute < Duration.ofDays(1).toMinutes(); minute += everyMinutes) {
      OffsetDateTime at = midnight.plusMinutes(minute);
      double hours = Duration.between(START, at).toMinutes() / 60.0;
      double metres =
          2.6 + 1.9 * Math.cos(2 * Math.PI * hours / PERIOD) + code.charAt(0) % 7 / 10.0;
      heights.add(new Height(at, Math.round(metres * 100) / 100.0));
    }
    return heights;
  }

  List<Warning> warnings() {
    return List.copyOf(warnings);
  }

  Warning add(NewWarning wanted) {
    Warning warning =
        new Warning(
            warnings.size() + 1L,
            wanted.station(),
            wanted.level(),
            wanted.text(),
            START.plusHours(wanted.hours()));
    warnings.add(warning);
    return warning;
  }
}
