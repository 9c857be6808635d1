package org.mapsel.core.read.sample;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.declare.HttpDeclaration;
import org.mapsel.core.declare.HttpDeclaration.AnswerDeclaration;
import org.mapsel.core.declare.HttpDeclaration.BodyDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ContentDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ParameterDeclaration;
import org.mapsel.core.declare.HttpDeclaration.ServerDeclaration;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.DescriptionReader;
import org.mapsel.core.read.Format;
import org.mapsel.core.read.Reading;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.Memo;
import org.mapsel.core.service.RecordedRequest;
import org.mapsel.core.service.RecordedRequest.GivenAnswer;
import org.mapsel.core.shape.Wire;

/** Requests that somebody has seen work, with their answers. */
public final class SampleReader implements DescriptionReader {

  /** Headers that the request gets by itself, or that say nothing about the operation. */
  private static final Set<String> OWN =
      Set.of(
          "host",
          "content-length",
          "content-type",
          "accept",
          "accept-encoding",
          "accept-language",
          "connection",
          "user-agent",
          "origin",
          "referer",
          "pragma",
          "cache-control",
          "dnt",
          "upgrade-insecure-requests",
          "priority",
          "te");

  /** Headers that are no parameters, but may decide what comes back. */
  private static final Set<String> PASSED_ON = Set.of("accept", "accept-language");

  @Override
  public boolean recognises(String head) {
    return CurlCommand.is(head)
        || HttpText.isRequest(head)
        || head.stripLeading().startsWith("{")
            && head.contains("\"log\"")
            && head.contains("\"entries\"")
        || head.stripLeading().startsWith("{")
            && head.contains("\"log\"")
            && head.contains("\"creator\"");
  }

  @Override
  public Format read(SourceText source, Reading reading) {
    String text = kept(source, reading);
    reading.declarations().overHttp();
    List<Sample> samples =
        Samples.in(
            new SourceText(source.address(), text.getBytes(StandardCharsets.UTF_8)),
            reading.findings());
    declare(samples, reading, source);
    return new Format("Sample", "1");
  }

  /** The text without its secrets, which is what is kept of it. */
  private static String kept(SourceText source, Reading reading) {
    String given = new String(source.bytes(), StandardCharsets.UTF_8);
    String whole =
        HarFile.is(given)
            ? HarFile.reduced(source).orElse(given)
            : CurlCommand.is(given) ? ShellWords.forShell(given) : given;
    Secrets.Cleaned cleaned = Secrets.clean(whole, reading::isPlain);
    reading.clean(
        source, new SourceText(source.address(), cleaned.text().getBytes(StandardCharsets.UTF_8)));
    for (String name : cleaned.names()) {
      reading
          .findings()
          .add(
              Finding.note("SAMPLE_SECRET_LEFT_OUT", "header", name)
                  .at(Place.in(source.address())));
    }
    return cleaned.text();
  }

  /** Samples of the same method and path are one operation, whatever values stand in the path. */
  private static void declare(List<Sample> samples, Reading reading, SourceText source) {
    Map<String, List<Sample>> byOperation = new LinkedHashMap<>();
    for (Sample sample : samples) {
      Optional<URI> address = address(sample, reading, source);
      address.ifPresent(
          uri ->
              byOperation
                  .computeIfAbsent(
                      sample.method + " " + uri.getRawAuthority() + PathValues.in(uri).template(),
                      key -> new ArrayList<>())
                  .add(sample));
    }
    byOperation
        .values()
        .forEach(same -> reading.declarations().add(operation(same, reading, source)));
    byOperation.values().stream()
        .findFirst()
        .ifPresent(first -> reading.declarations().name(name(URI.create(first.get(0).address))));
  }

  /** The first step of the path that is no formality tells services of one host apart. */
  private static String name(URI uri) {
    return Stream.of(String.valueOf(uri.getPath()).split("/"))
        .filter(step -> !step.matches("|api|rest|services|v\\d+"))
        .findFirst()
        .orElse(uri.getHost());
  }

  private static Optional<URI> address(Sample sample, Reading reading, SourceText source) {
    try {
      URI uri = URI.create(sample.address.replace(" ", "%20"));
      if (uri.getHost() != null) {
        sample.address = uri.toString();
        return Optional.of(uri);
      }
    } catch (IllegalArgumentException e) {
      // Told below, with the address itself.
    }
    reading
        .findings()
        .add(
            Finding.error("SAMPLE_ADDRESS_MISSING", "address", sample.address)
                .at(new Place(source.address(), 1, 1)));
    return Optional.empty();
  }

  private static HttpDeclaration operation(
      List<Sample> samples, Reading reading, SourceText source) {
    Sample first = samples.get(0);
    URI uri = URI.create(first.address);
    Place place = new Place(source.address(), 1, 1);
    Optional<SentBody> sent = SentBody.in(samples);
    HttpDeclaration.Details details =
        new HttpDeclaration.Details(
            "",
            Memo.of(parameters(samples, reading, place)),
            Memo.of(sent.map(one -> body(one, samples))),
            Memo.of(answers(samples)),
            false,
            Optional.of(given(first, sent)));
    return new HttpDeclaration(
        "",
        first.method,
        PathValues.in(uri).template(),
        List.of(new ServerDeclaration(uri.getScheme() + "://" + uri.getRawAuthority(), "")),
        () -> details);
  }

  private static List<ParameterDeclaration> parameters(
      List<Sample> samples, Reading reading, Place place) {
    List<ParameterDeclaration> parameters = new ArrayList<>();
    Inferred path = new Inferred();
    Inferred query = new Inferred();
    Inferred headers = new Inferred();
    for (Sample sample : samples) {
      path.sawRecord();
      PathValues.in(URI.create(sample.address))
          .values()
          .forEach(
              (name, value) -> {
                path.member(name).sawText(value, false);
                path.sawMember(name, 1);
              });
      String text = URI.create(sample.address).getRawQuery();
      Inference.form(text == null ? "" : text, query);
      headers.sawRecord();
      for (Sample.Field field : sample.headers) {
        String name = field.name().toLowerCase(Locale.ROOT);
        boolean own =
            OWN.contains(name)
                || Secrets.isHeader(name) && !reading.isPlain(name)
                || name.startsWith("sec-")
                || name.startsWith(":");
        if (!own) {
          headers.member(field.name()).sawText(field.value(), true);
          headers.sawMember(field.name(), 1);
        }
      }
    }
    Set<String> marked = marked(samples);
    add(parameters, path.type(true), Wire.In.PATH, marked, place);
    add(parameters, query.type(true), Wire.In.QUERY, marked, place);
    add(parameters, headers.type(true), Wire.In.HEADER, marked, place);
    return parameters;
  }

  private static Set<String> marked(List<Sample> samples) {
    return samples.stream()
        .flatMap(sample -> sample.parameters.stream())
        .collect(Collectors.toSet());
  }

  private static RecordedRequest given(Sample first, Optional<SentBody> sent) {
    Map<String, String> headers = new LinkedHashMap<>();
    for (Sample.Field field : first.headers) {
      if (PASSED_ON.contains(field.name().toLowerCase(Locale.ROOT))) {
        headers.put(field.name(), field.value());
      }
    }
    String query = URI.create(first.address).getRawQuery();
    return new RecordedRequest(
        headers,
        FormPieces.of(query == null ? "" : query),
        sent.map(SentBody::pieces).orElse(List.of()),
        first.answers.stream()
            .filter(answer -> answer.status() / 100 == 2 && !answer.body().isBlank())
            .map(answer -> new GivenAnswer(answer.status(), answer.mediaType(), answer.body()))
            .findFirst());
  }

  private static void add(
      List<ParameterDeclaration> parameters,
      DataType seen,
      Wire.In in,
      Set<String> marked,
      Place place) {
    if (seen.form() instanceof DataType.Structure structure) {
      for (DataType.Member member : structure.members()) {
        parameters.add(
            new ParameterDeclaration(
                member.name(),
                in,
                in == Wire.In.QUERY ? Wire.Style.FORM : Wire.Style.SIMPLE,
                in == Wire.In.QUERY,
                false,
                Optional.empty(),
                structure.required().contains(member.name()),
                "",
                false,
                ParameterMarks.in(
                    member.type(), ParameterMarks.parameter(in, member.name()), marked),
                place));
      }
    }
  }

  private static BodyDeclaration body(SentBody sent, List<Sample> samples) {
    DataType type = ParameterMarks.in(sent.type(), ParameterMarks.BODY, marked(samples));
    // A body in parts is written anew, whether or not somebody fills them.
    return new BodyDeclaration(
        sent.pieces().isEmpty(),
        "",
        List.of(
            new ContentDeclaration(sent.said(), sent.written(), Optional.of(type), sent.parts())));
  }

  private static List<AnswerDeclaration> answers(List<Sample> samples) {
    Map<Integer, List<Sample.Answer>> byStatus = new LinkedHashMap<>();
    for (Sample sample : samples) {
      for (Sample.Answer answer : sample.answers) {
        if (!answer.body().isBlank()) {
          byStatus.computeIfAbsent(answer.status(), key -> new ArrayList<>()).add(answer);
        }
      }
    }
    List<AnswerDeclaration> answers = new ArrayList<>();
    byStatus.forEach(
        (status, same) -> {
          Inferred inferred = new Inferred();
          String said = same.get(0).mediaType();
          String type = said;
          for (Sample.Answer answer : same) {
            BodyKind kind = BodyKind.of(answer.body(), answer.mediaType());
            kind.widen(answer.body(), inferred);
            type = kind.written(said);
          }
          answers.add(
              new AnswerDeclaration(
                  String.valueOf(status),
                  "",
                  List.of(
                      new ContentDeclaration(type, Optional.of(inferred.type(false)), Map.of()))));
        });
    if (answers.isEmpty()) {
      // Nothing is known of what comes back, so all of it is kept.
      answers.add(
          new AnswerDeclaration(
              "200", "", List.of(new ContentDeclaration("*/*", Optional.empty(), Map.of()))));
    }
    return answers;
  }
}
