package org.mapsel.core.intake;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.document.Archive;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.read.Reading;
import org.mapsel.core.read.Resolver;

/**
 * Documents that were given together, as files or in an archive: some describe services, the others
 * are parts of those.
 */
public final class Bundle {

  /** How one document names another one in any of the formats. */
  private static final Pattern NAMED =
      Pattern.compile("(?:ocation|Uri|[$]ref\"?)\\s*[=:]\\s*[\"']([^\"'#\\s]+)");

  private final String address;
  private final Map<String, SourceText> documents = new LinkedHashMap<>();
  private final Map<String, SourceText> byFileName = new HashMap<>();
  private final Set<String> plain = new TreeSet<>(String.CASE_INSENSITIVE_ORDER);

  private Bundle(String address, Iterable<SourceText> documents) {
    this.address = address;
    for (SourceText document : documents) {
      this.documents.put(document.address(), document);
      byFileName.putIfAbsent(fileName(document.address()), document);
    }
  }

  /**
   * Files that were given together; what is in archives among them is given too.
   *
   * @param folder the start that their addresses share and nobody needs to read; may be empty
   */
  public static Outcome<Bundle> of(String folder, List<SourceText> files) {
    List<SourceText> all = new ArrayList<>();
    for (SourceText file : files) {
      if (Archive.is(file)) {
        Outcome<Archive> inside = Archive.read(file, Limits.DESCRIPTION);
        if (inside.value().isEmpty()) {
          return Outcome.failed(inside.findings());
        }
        inside.get().documents().forEach(all::add);
      } else {
        all.add(file);
      }
    }
    return Outcome.of(new Bundle(folder, all));
  }

  /**
   * The same, with what somebody has said about the secrets in it.
   *
   * @param names of values in samples that look secret and are none
   */
  public Bundle plain(Collection<String> names) {
    Bundle said = new Bundle(address, documents.values());
    said.plain.addAll(names);
    return said;
  }

  /** Whether somebody has said that values of a name are no secrets. */
  boolean isPlain(String name) {
    return plain.contains(name);
  }

  /** Where the bundle itself was found; empty for files that come from nowhere in common. */
  String address() {
    return address;
  }

  List<SourceText> documents() {
    return List.copyOf(documents.values());
  }

  /** A document by its address, or else by the last part of it: folders get lost on the way. */
  Optional<SourceText> find(String wanted) {
    return given(wanted).map(known -> new SourceText(wanted, known.bytes()));
  }

  private Optional<SourceText> given(String wanted) {
    return Optional.ofNullable(documents.get(wanted))
        .or(() -> Optional.ofNullable(byFileName.get(fileName(wanted))));
  }

  /** Looks into the bundle first. */
  public Resolver before(Resolver outside) {
    return wanted -> find(wanted).map(Outcome::of).orElseGet(() -> outside.fetch(wanted));
  }

  /** Those of the documents that no other one of them names. */
  List<SourceText> unnamed(List<SourceText> candidates) {
    Set<String> named = new HashSet<>();
    for (SourceText document : documents.values()) {
      Matcher names = NAMED.matcher(new String(document.bytes(), StandardCharsets.ISO_8859_1));
      while (names.find()) {
        String other = Reading.resolve(document.address(), names.group(1));
        given(other)
            .map(SourceText::address)
            .filter(found -> !found.equals(document.address()))
            .ifPresent(named::add);
      }
    }
    List<SourceText> free = new ArrayList<>(candidates);
    free.removeIf(candidate -> named.contains(candidate.address()));
    return free.isEmpty() ? candidates : free;
  }

  private static String fileName(String address) {
    return address.substring(address.lastIndexOf('/') + 1);
  }
}
