package org.mapsel.standins.berthing;

import java.math.BigDecimal;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Who lies where, from when until when. */
@Component
class Berths {

  private static final int BERTHS_PER_BASIN = 6;
  private static final BigDecimal NIGHTLY_FEE = new BigDecimal("185.50");

  /** A berth that is taken for some nights. */
  record Booking(
      String number,
      String berth,
      String basin,
      OffsetDateTime from,
      OffsetDateTime until,
      BigDecimal fee) {}

  private final List<Booking> bookings = new ArrayList<>();

  synchronized Booking reserve(
      Fleet.Vessel vessel, String basin, Optional<String> wished, OffsetDateTime from, int nights) {
    OffsetDateTime until = from.plusDays(nights);
    List<String> candidates = wished.map(List::of).orElseGet(() -> berthsOf(basin));
    for (String berth : candidates) {
      Optional<Booking> inTheWay =
          bookings.stream()
              .filter(other -> other.berth().equals(berth))
              .filter(other -> other.from().isBefore(until) && from.isBefore(other.until()))
              .findFirst();
      if (inTheWay.isPresent() && wished.isPresent()) {
        throw new Refusal("BerthTaken", "Berth " + berth + " is taken.")
            .with("berth", berth)
            .with("freeFrom", inTheWay.get().until());
      }
      if (depth(berth).compareTo(vessel.draught()) < 0) {
        if (wished.isPresent()) {
          throw new Refusal("TooDeep", "The vessel lies too deep for berth " + berth + ".")
              .with("berth", berth)
              .with("depthMetres", depth(berth))
              .with("draughtMetres", vessel.draught());
        }
      } else if (inTheWay.isEmpty()) {
        Booking booking =
            new Booking(
                "R-" + (9_001 + bookings.size()),
                berth,
                basin,
                from,
                until,
                NIGHTLY_FEE.multiply(BigDecimal.valueOf(nights)));
        bookings.add(booking);
        return booking;
      }
    }
    throw new Refusal("BerthTaken", "No berth of the " + basin + " basin is free and deep enough.")
        .with("berth", basin)
        .with("freeFrom", until);
  }

  private static List<String> berthsOf(String basin) {
    List<String> berths = new ArrayList<>();
    for (int i = 1; i <= BERTHS_PER_BASIN; i++) {
      berths.add(basin.substring(0, 1).toUpperCase(Locale.ROOT) + i);
    }
    return berths;
  }

  /** Berths get deeper with their number. */
  private static BigDecimal depth(String berth) {
    int number =
        berth.replaceAll("\\D", "").isEmpty() ? 1 : Integer.parseInt(berth.replaceAll("\\D", ""));
    return BigDecimal.valueOf(40L + 10L * Math.min(number, 20), 1);
  }
}
