package org.mapsel.standins.declarations;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.mapsel.standins.declarations.Declaration.Advice;
import org.mapsel.standins.declarations.Declaration.Basin;
import org.mapsel.standins.declarations.Declaration.Grade;
import org.mapsel.standins.declarations.Declaration.Measures;
import org.mapsel.standins.declarations.Declaration.Point;
import org.mapsel.standins.declarations.Declaration.Remark;
import org.mapsel.standins.declarations.Declaration.Wanted;

/** What the office makes of measures. */
final class Judgement {

  private static final int BEST = 100;
  private static final int EASY = 80;
  private static final int WITH_CARE = 60;
  private static final int WITH_TUGS = 30;
  private static final Map<Basin, BigDecimal> DEPTHS =
      Map.of(
          Basin.NORTH, new BigDecimal("9.5"),
          Basin.SOUTH, new BigDecimal("7.2"),
          Basin.INNER, new BigDecimal("5.8"));
  private static final BigDecimal LONG = new BigDecimal("90");
  private static final BigDecimal WINDY = new BigDecimal("20");
  private static final BigDecimal STORMY = new BigDecimal("34");
  private static final BigDecimal BROAD = new BigDecimal("16");

  private Judgement() {}

  static List<Remark> remarks(Wanted wanted) {
    List<Remark> remarks = new ArrayList<>();
    if (wanted.vsl().hazardClass() != null) {
      remarks.add(new Remark("HZ1", "A hazard class was declared: a watch is kept."));
    }
    if (wanted.waste() == null || !Boolean.TRUE.equals(wanted.waste().declared())) {
      remarks.add(new Remark("WS2", "No waste was declared: say so at the lock."));
    }
    if (wanted.portCall().pilotOrdered() != null && !wanted.portCall().pilotOrdered()) {
      remarks.add(new Remark("PL4", "No pilot was ordered."));
    }
    return remarks;
  }

  static Advice advice(Measures measures) {
    List<Point> points = new ArrayList<>();
    BigDecimal room = DEPTHS.get(measures.basin()).subtract(measures.draught());
    if (room.signum() <= 0) {
      points.add(new Point("DP9", "Deeper than the basin.", 75));
    } else if (room.compareTo(BigDecimal.ONE) < 0) {
      points.add(new Point("DP1", "Less than a metre under the keel.", 20));
    }
    if (measures.length().compareTo(LONG) > 0) {
      points.add(new Point("LN1", "Longer than ninety metres.", 15));
    }
    if (measures.beam().compareTo(BROAD) > 0) {
      points.add(new Point("BM1", "Broader than the fairway likes.", 10));
    }
    if (measures.wind().compareTo(STORMY) > 0) {
      points.add(new Point("WD9", "Gale.", 50));
    } else if (measures.wind().compareTo(WINDY) > 0) {
      points.add(new Point("WD1", "Fresh wind.", 15));
    }
    if (!Boolean.TRUE.equals(measures.bowThruster())) {
      points.add(new Point("TH0", "No bow thruster.", 10));
    }
    int score = Math.max(0, BEST - points.stream().mapToInt(Point::points).sum());
    return new Advice(score, grade(score), points);
  }

  private static Grade grade(int score) {
    if (score >= EASY) {
      return Grade.EASY;
    }
    if (score >= WITH_CARE) {
      return Grade.WITH_CARE;
    }
    return score >= WITH_TUGS ? Grade.WITH_TUGS : Grade.NOT_TODAY;
  }
}
