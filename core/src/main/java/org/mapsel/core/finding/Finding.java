package org.mapsel.core.finding;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Place;

/**
 * Something to say about a description, a message or an app.
 *
 * @param code AREA_SUBJECT_CASE; its sentences stand in the area's properties file
 * @param arguments what the sentences name, in a fixed order
 * @param places where in a document, first the most telling one
 * @param subject what it is about, where that is no place in a document
 */
public record Finding(
    String code,
    Severity severity,
    Map<String, String> arguments,
    List<Place> places,
    Optional<Subject> subject) {

  public Finding {
    arguments = Map.copyOf(arguments);
    places = List.copyOf(places);
  }

  /** Arguments come in pairs: name, value. */
  public static Finding error(String code, String... arguments) {
    return of(code, Severity.ERROR, arguments);
  }

  public static Finding warning(String code, String... arguments) {
    return of(code, Severity.WARNING, arguments);
  }

  public static Finding note(String code, String... arguments) {
    return of(code, Severity.NOTE, arguments);
  }

  private static Finding of(String code, Severity severity, String... arguments) {
    Map<String, String> named = new LinkedHashMap<>();
    for (int i = 0; i < arguments.length; i += 2) {
      named.put(arguments[i], arguments[i + 1]);
    }
    return new Finding(code, severity, named, List.of(), Optional.empty());
  }

  public Finding at(Place place) {
    return new Finding(code, severity, arguments, List.of(place), subject);
  }

  public Finding about(FieldPath path) {
    return about(new Subject.AboutParameter(path));
  }

  public Finding about(Subject what) {
    return new Finding(code, severity, arguments, places, Optional.of(what));
  }

  /** The same with one more thing that its sentences name. */
  public Finding with(String argument, String value) {
    Map<String, String> more = new LinkedHashMap<>(arguments);
    more.put(argument, value);
    return new Finding(code, severity, more, places, subject);
  }

  /** The field of a message that it is about, where there is one. */
  public Optional<FieldPath> field() {
    return subject
        .filter(Subject.AboutParameter.class::isInstance)
        .map(parameter -> ((Subject.AboutParameter) parameter).path());
  }

  public boolean isError() {
    return severity == Severity.ERROR;
  }
}
