package org.mapsel.core.page.offer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.ref.FieldPath;

/** What an edit decided to belong together: parameters and the fields that fill them now. */
public final class AcceptedPairs {

  private AcceptedPairs() {}

  /** The names of a parameter and of the field that fills it. */
  public record Names(String parameter, String given) {}

  /** What people chose or confirmed; what is only likely is not accepted yet. */
  public static List<Names> between(App before, App after) {
    List<Names> accepted = new ArrayList<>();
    for (Page page : after.pages()) {
      Optional<Page> known = before.find(page.id());
      if (known.filter(page::equals).isPresent()) {
        continue;
      }
      for (Call call : page.calls()) {
        Optional<Call> was = known.flatMap(there -> there.call(call.id()));
        for (Call.Parameter parameter : call.parameters()) {
          Mapping mapping = parameter.mapping();
          boolean same =
              was.flatMap(there -> there.mapping(parameter.path()))
                  .filter(mapping::equals)
                  .isPresent();
          if (!same && mapping.likely().isEmpty()) {
            given(mapping.source())
                .ifPresent(path -> accepted.add(new Names(parameter.path().last(), path.last())));
          }
        }
      }
    }
    return accepted;
  }

  private static Optional<FieldPath> given(Source source) {
    FieldPath path =
        switch (source) {
          case Source.Returned returned -> returned.path();
          case Source.Chosen chosen -> chosen.path();
          case Source.Argument argument -> argument.path();
          case Source.Row row -> row.path();
          default -> FieldPath.ROOT;
        };
    return path.isRoot() ? Optional.empty() : Optional.of(path);
  }
}
