package org.mapsel.core.read.sample;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.service.RecordedRequest.Piece;
import org.mapsel.core.service.RecordedRequest.Run;

/** Where the values of a form or a query stand (URL Standard, section 5.1). */
final class FormPieces {

  private FormPieces() {}

  static List<Piece> of(String encoded) {
    List<Inference.Pair> pairs = Inference.pairs(encoded);
    Map<String, Integer> all = new HashMap<>();
    pairs.forEach(pair -> all.merge(pair.name(), 1, Integer::sum));
    Map<String, Integer> before = new HashMap<>();
    Cutter cutter = new Cutter(encoded);
    int at = 0;
    while (at < pairs.size()) {
      String name = pairs.get(at).name();
      int end = at;
      while (end < pairs.size() && pairs.get(end).name().equals(name)) {
        end++;
      }
      int first = before.merge(name, end - at, Integer::sum) - (end - at);
      run(cutter, pairs.subList(at, end), first, first + end - at == all.get(name));
      at = end;
    }
    return cutter.all();
  }

  private static void run(Cutter cutter, List<Inference.Pair> same, int first, boolean last) {
    cutter.around(same.get(0).start());
    List<List<Piece>> items = new ArrayList<>();
    for (Inference.Pair pair : same) {
      items.add(
          cutter.within(
              pair.start(),
              () -> {
                boolean nameOnly = pair.valueStart() > pair.end();
                int start = nameOnly ? pair.end() : pair.valueStart();
                cutter.one(List.of(), start, pair.end(), pair.value(), nameOnly ? "=" : "", "");
              }));
    }
    cutter.run(new Run(List.of(same.get(0).name()), first, last, items, "&"));
  }
}
