package org.mapsel.core.read.sample;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.HttpDeclaration.PartDeclaration;
import org.mapsel.core.service.RecordedRequest.Piece;

/**
 * The bodies that were sent.
 *
 * @param said their media type, as it was said or as it looks
 * @param written the media type that they are really written in
 * @param pieces of the first of them
 * @param parts how those of its parts are written of which it was said
 */
record SentBody(
    String said,
    String written,
    DataType type,
    List<Piece> pieces,
    Map<String, PartDeclaration> parts) {

  private static final String MULTIPART = "multipart/form-data";

  static Optional<SentBody> in(List<Sample> samples) {
    List<Sample> inParts = samples.stream().filter(one -> !one.parts.isEmpty()).toList();
    List<Sample> whole = samples.stream().filter(one -> !one.body.isEmpty()).toList();
    return inParts.isEmpty()
        ? whole.isEmpty() ? Optional.empty() : Optional.of(whole(whole))
        : Optional.of(inParts(inParts));
  }

  private static SentBody whole(List<Sample> sending) {
    Sample first = sending.get(0);
    String said = first.header("content-type");
    BodyKind looks = BodyKind.of(first.body, said);
    Optional<List<Piece>> pieces = looks.pieces(first.body);
    BodyKind kind = pieces.isPresent() ? looks : BodyKind.TEXT;
    Inferred inferred = new Inferred();
    for (Sample sample : sending) {
      kind.widen(sample.body, inferred);
    }
    return new SentBody(
        said.isEmpty() ? kind.written("") : said,
        kind.written(said),
        inferred.type(true),
        pieces.or(() -> kind.pieces(first.body)).orElseThrow(),
        Map.of());
  }

  private static SentBody inParts(List<Sample> sending) {
    Inferred inferred = new Inferred();
    Map<String, PartDeclaration> said = new HashMap<>();
    for (Sample sample : sending) {
      inferred.sawRecord();
      Map<String, Integer> times = new LinkedHashMap<>();
      for (Sample.Part part : sample.parts) {
        if (part.file()) {
          inferred.member(part.name()).sawFile();
        } else {
          inferred.member(part.name()).sawText(part.value(), false);
        }
        times.merge(part.name(), 1, Integer::sum);
        if (!part.mediaType().isEmpty()) {
          said.putIfAbsent(part.name(), PartDeclaration.in(part.mediaType()));
        }
      }
      times.forEach(inferred::sawMember);
    }
    return new SentBody(MULTIPART, MULTIPART, inferred.type(true), List.of(), said);
  }
}
