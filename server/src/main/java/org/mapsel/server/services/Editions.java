package org.mapsel.server.services;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.service.Service;
import org.mapsel.server.samples.KnownEditions;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;

/**
 * Editions of services: kept as the documents they were read from, read again when needed, and
 * remembered a while in memory.
 */
@Component
public class Editions implements KnownEditions {

  private static final int REMEMBERED = 64;

  /** One reading of a description. */
  public record Edition(String id, String source, Description description, List<Finding> findings) {
    public Service service() {
      return description.service();
    }
  }

  private final EditionStore store;
  private final Cache<String, Edition> remembered =
      Caffeine.newBuilder().maximumSize(REMEMBERED).build();

  /** What was read is told apart by being the very same. */
  private final Cache<Service, String> ids = Caffeine.newBuilder().weakKeys().build();

  Editions(EditionStore store) {
    this.store = store;
  }

  /** Keeps a description that was read from a source; one without operations is refused. */
  public Edition keep(String source, Outcome<Description> read) {
    Description description =
        read.value()
            .filter(each -> !each.service().operations().isEmpty())
            .orElseThrow(() -> Problem.refused(read.findings()));
    String id = hash(description.documents());
    store.add(id, description.documents());
    Edition edition = new Edition(id, source, description, read.findings());
    remembered.put(id, edition);
    ids.put(edition.service(), id);
    return edition;
  }

  @Override
  public Optional<String> idOf(Service service) {
    return Optional.ofNullable(ids.getIfPresent(service));
  }

  @Override
  public Optional<Service> service(String edition) {
    return find(edition).map(Edition::service);
  }

  public Optional<Edition> find(String id) {
    return Optional.ofNullable(remembered.get(id, this::load));
  }

  public Edition get(String id) {
    return find(id).orElseThrow(() -> Problem.missing("SERVER_EDITION_MISSING"));
  }

  private @Nullable Edition load(String id) {
    List<SourceText> documents = store.documents(id);
    if (documents.isEmpty()) {
      return null;
    }
    Outcome<Description> outcome = Intake.read(documents);
    return outcome
        .value()
        .map(
            description -> {
              ids.put(description.service(), id);
              return new Edition(id, documents.get(0).address(), description, outcome.findings());
            })
        .orElse(null);
  }

  private static String hash(List<SourceText> documents) {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      for (SourceText document : documents) {
        digest.update(document.address().getBytes(StandardCharsets.UTF_8));
        digest.update((byte) 0);
        digest.update(document.bytes());
        digest.update((byte) 0);
      }
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
