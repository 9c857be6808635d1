package org.mapsel.core.read.sample;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.service.RecordedRequest.Around;
import org.mapsel.core.service.RecordedRequest.One;
import org.mapsel.core.service.RecordedRequest.Piece;
import org.mapsel.core.service.RecordedRequest.Run;

/** Takes a text apart from its start to its end. Positions count characters from 0. */
final class Cutter {

  private final String text;
  private List<Piece> pieces = new ArrayList<>();
  private int at;

  Cutter(String text) {
    this.text = text;
  }

  /** Leaves everything up to a position as it is. */
  void around(int end) {
    if (end > at) {
      pieces.add(new Around(text.substring(at, end)));
    }
    at = end;
  }

  /** A value stands here, and nothing needs to be written around another one in its place. */
  void one(List<String> steps, int start, int end, String given) {
    one(steps, start, end, given, "", "");
  }

  /** A value stands here. */
  void one(List<String> steps, int start, int end, String given, String before, String after) {
    around(start);
    // What was taken out is no value to send.
    Optional<String> known = given.contains(Secrets.HIDDEN) ? Optional.empty() : Optional.of(given);
    pieces.add(new One(steps, known, text.substring(start, end), before, after));
    at = end;
  }

  /** What is cut out of a stretch of the text that starts here, as far as it was gone through. */
  List<Piece> within(int start, Runnable cut) {
    List<Piece> outer = pieces;
    pieces = new ArrayList<>();
    at = start;
    cut.run();
    List<Piece> inner = pieces;
    pieces = outer;
    return inner;
  }

  /** Values of the same name stand up to here. */
  void run(Run run) {
    pieces.add(run);
  }

  /** Up to where the text was gone through. */
  int position() {
    return at;
  }

  String text() {
    return text;
  }

  /** Everything, to the end of the text. */
  List<Piece> all() {
    around(text.length());
    return pieces;
  }
}
