package org.mapsel.server.services;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Step.Cut;
import org.mapsel.core.value.TextCuts;
import org.mapsel.core.value.Value;
import org.mapsel.server.web.Problem;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Patterns tried on a text; nothing of it is kept. */
@RestController
@RequestMapping("/api/cuts")
class CutsController {

  private static final int SHOWN = 5;

  /**
   * @param text the sample to cut
   * @param path where it stands in the answer
   */
  record CutRequest(String text, FieldPath path, String pattern, boolean every) {
    CutRequest {
      Objects.requireNonNull(text);
      Objects.requireNonNull(pattern);
      Objects.requireNonNull(path);
    }
  }

  /** What a pattern cuts out of a text, and how often it matches. */
  record CutsView(int matches, List<CutField> fields) {}

  /**
   * One field that is cut out.
   *
   * @param path as pages use it
   * @param values of the first matches
   */
  record CutField(FieldPath path, String name, List<JsonNode> values) {}

  @PostMapping
  CutsView cut(@RequestBody CutRequest request) {
    Outcome<TextCuts> cuts = TextCuts.of(new Cut(request.pattern(), true));
    if (cuts.value().isEmpty()) {
      throw Problem.refused(cuts.findings());
    }
    List<Value> matches = cuts.get().in(request.text());
    FieldPath base = request.path().then(new Cut(request.pattern(), request.every()));
    List<CutField> fields = new ArrayList<>();
    for (String name : cuts.get().names()) {
      List<JsonNode> values =
          matches.stream()
              .limit(request.every() ? SHOWN : 1)
              .map(match -> match.at(FieldPath.of(name)))
              .map(value -> ValueJson.write(value.isAbsent() ? Value.text("") : value))
              .toList();
      fields.add(new CutField(base.then(name), name, values));
    }
    return new CutsView(matches.size(), fields);
  }
}
