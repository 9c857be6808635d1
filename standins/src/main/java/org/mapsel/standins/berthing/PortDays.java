package org.mapsel.standins.berthing;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** How the days of the port are set: keys that are explained nowhere. */
final class PortDays {

  private static final List<String> MASTERS = List.of("Ines Marlow", "Tom Hawser", "Pia Fender");
  private static final LocalTime HIGH_WATER = LocalTime.of(6, 40);

  /** So much later is high water every day. */
  private static final int MINUTES_LATER = 50;

  private static final int DAY_MINUTES = 24 * 60;

  private PortDays() {}

  static Map<String, String> of(LocalDate day) {
    long days = day.toEpochDay() - LocalDate.of(2031, 5, 14).toEpochDay();
    LocalTime high = HIGH_WATER.plusMinutes(Math.floorMod(days * MINUTES_LATER, DAY_MINUTES));
    Map<String, String> settings = new LinkedHashMap<>();
    settings.put("DBM", MASTERS.get((int) Math.floorMod(days, (long) MASTERS.size())));
    settings.put("VHF", Math.floorMod(days, 2L) == 0 ? "12" : "14");
    settings.put("TIDE_WIN", high.minusHours(2) + "-" + high.plusHours(2));
    settings.put("BASIN", Math.floorMod(days, 2L) == 0 ? "north" : "south");
    settings.put("LOCK", "05:30-22:00");
    settings.put("TUGS", String.valueOf(2 + Math.floorMod(days, 3L)));
    settings.put("FOG", "N");
    return settings;
  }
}
