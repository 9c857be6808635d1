package org.mapsel.server.secrets;

import java.util.Base64;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Access.Login;
import org.mapsel.core.message.Secret;
import org.mapsel.server.secrets.AccessForm.CertificateForm;
import org.mapsel.server.secrets.AccessForm.HeaderForm;
import org.mapsel.server.secrets.AccessForm.LoginForm;
import org.mapsel.server.secrets.AccessForm.ProxyForm;
import org.mapsel.server.secrets.AccessForm.SecurityForm;
import org.mapsel.server.web.Problem;

/** Forms filled up from what is kept, emptied for showing, and made into what calls use. */
final class AccessForms {

  private AccessForms() {}

  /**
   * The form with the secrets that it leaves out taken from the one that is kept, where they go the
   * same way: another proxy, another place in the request or another server for tokens has to be
   * told them again.
   */
  static AccessForm filled(AccessForm given, AccessForm former) {
    boolean sameProxy = isSameProxy(given.proxy(), former.proxy());
    boolean sameWay =
        Objects.equals(given.trusted(), former.trusted()) && (sameProxy || given.proxy() == null);
    AccessForm kept = sameWay ? former : AccessForm.NONE;
    LoginForm login = given.login();
    boolean samePlace = isSamePlace(login, kept.login());
    return new AccessForm(
        new LoginForm(
            login.kind(),
            login.user(),
            login.name(),
            login.inQuery(),
            login.tokens(),
            login.scope(),
            or(login.secret(), samePlace ? kept.login().secret() : null),
            false),
        given.headers().stream().map(header -> filled(header, kept.headers())).toList(),
        given.security() == null ? null : filled(given.security(), kept.security()),
        given.addressing(),
        given.certificate() == null ? null : filled(given.certificate(), former.certificate()),
        given.trusted(),
        given.proxy() == null ? null : filled(given.proxy(), sameProxy ? former.proxy() : null));
  }

  private static boolean isSamePlace(LoginForm one, LoginForm other) {
    return one.kind().equals(other.kind())
        && Objects.equals(one.tokens(), other.tokens())
        && Objects.equals(one.name(), other.name())
        && one.inQuery() == other.inQuery();
  }

  private static boolean isSameProxy(@Nullable ProxyForm one, @Nullable ProxyForm other) {
    return one == null
        ? other == null
        : other != null && one.host().equalsIgnoreCase(other.host()) && one.port() == other.port();
  }

  /** Whether it holds anything that a server is told. */
  static boolean tellsSecrets(AccessForm form) {
    return form.login().secret() != null || !form.headers().isEmpty() || form.security() != null;
  }

  private static @Nullable String or(@Nullable String given, @Nullable String kept) {
    return given == null || given.isEmpty() ? kept : given;
  }

  private static HeaderForm filled(HeaderForm given, List<HeaderForm> kept) {
    String before =
        kept.stream()
            .filter(header -> header.name().equalsIgnoreCase(given.name()))
            .map(HeaderForm::value)
            .findFirst()
            .orElse(null);
    return new HeaderForm(given.name(), or(given.value(), before), false);
  }

  private static SecurityForm filled(SecurityForm given, @Nullable SecurityForm kept) {
    return new SecurityForm(
        given.user(),
        or(given.password(), kept == null ? null : kept.password()),
        false,
        given.digest(),
        given.timestamp());
  }

  private static CertificateForm filled(CertificateForm given, @Nullable CertificateForm kept) {
    return new CertificateForm(
        or(given.file(), kept == null ? null : kept.file()),
        or(given.password(), kept == null ? null : kept.password()),
        false);
  }

  private static ProxyForm filled(ProxyForm given, @Nullable ProxyForm kept) {
    return new ProxyForm(
        given.host(),
        given.port(),
        given.user(),
        or(given.password(), kept == null ? null : kept.password()),
        false);
  }

  /** The form with no secret in it. */
  static AccessForm shown(AccessForm kept) {
    LoginForm login = kept.login();
    SecurityForm security = kept.security();
    CertificateForm certificate = kept.certificate();
    ProxyForm proxy = kept.proxy();
    return new AccessForm(
        new LoginForm(
            login.kind(),
            login.user(),
            login.name(),
            login.inQuery(),
            login.tokens(),
            login.scope(),
            null,
            login.secret() != null),
        kept.headers().stream()
            .map(header -> new HeaderForm(header.name(), null, header.value() != null))
            .toList(),
        security == null
            ? null
            : new SecurityForm(
                security.user(),
                null,
                security.password() != null,
                security.digest(),
                security.timestamp()),
        kept.addressing(),
        certificate == null ? null : new CertificateForm(null, null, certificate.file() != null),
        kept.trusted(),
        proxy == null
            ? null
            : new ProxyForm(
                proxy.host(), proxy.port(), proxy.user(), null, proxy.password() != null));
  }

  /** What calls use; a form that leaves out what it needs is refused. */
  static Access access(AccessForm form) {
    return new Access(
        login(form.login()),
        form.headers().stream()
            .map(
                header ->
                    new Access.NamedSecret(
                        needed(header.name(), "header name"),
                        Secret.of(needed(header.value(), header.name()))))
            .toList(),
        Optional.ofNullable(form.security())
            .map(
                security ->
                    new Access.Security(
                        needed(security.user(), "user"),
                        Secret.of(needed(security.password(), "password")),
                        security.digest(),
                        security.timestamp())),
        switch (form.addressing()) {
          case "always" -> Access.Addressing.ALWAYS;
          case "never" -> Access.Addressing.NEVER;
          default -> Access.Addressing.AS_DESCRIBED;
        },
        new Access.Connection(
            Optional.ofNullable(form.certificate()).map(AccessForms::certificate),
            Optional.ofNullable(form.trusted()).filter(pem -> !pem.isBlank()),
            Optional.ofNullable(form.proxy()).map(AccessForms::proxy)));
  }

  private static Login login(LoginForm form) {
    return switch (form.kind()) {
      case "none" -> new Login.None();
      case "basic" -> new Login.Basic(needed(form.user(), "user"), secret(form, "password"));
      case "digest" -> new Login.Digest(needed(form.user(), "user"), secret(form, "password"));
      case "bearer" -> new Login.Bearer(secret(form, "token"));
      case "apiKey" ->
          new Login.ApiKey(needed(form.name(), "name"), secret(form, "key"), form.inQuery());
      case "client" ->
          new Login.ClientCredentials(
              needed(form.tokens(), "address for tokens"),
              needed(form.user(), "client"),
              secret(form, "secret"),
              Objects.requireNonNullElse(form.scope(), ""));
      default -> throw Problem.refused(Finding.error("SERVER_LOGIN_UNKNOWN", "kind", form.kind()));
    };
  }

  private static Secret secret(LoginForm form, String what) {
    return Secret.of(needed(form.secret(), what));
  }

  private static String needed(@Nullable String text, String what) {
    if (text == null || text.isBlank()) {
      throw Problem.refused(Finding.error("SERVER_ACCESS_INCOMPLETE", "what", what));
    }
    return text;
  }

  private static Access.ClientCertificate certificate(CertificateForm form) {
    try {
      return new Access.ClientCertificate(
          Base64.getMimeDecoder().decode(needed(form.file(), "certificate file")),
          Secret.of(Objects.requireNonNullElse(form.password(), "")));
    } catch (IllegalArgumentException e) {
      throw Problem.refused(
          Finding.error("EXCHANGE_CERTIFICATE_INVALID", "reason", "it is not base64"));
    }
  }

  private static Access.Proxy proxy(ProxyForm form) {
    return new Access.Proxy(
        needed(form.host(), "proxy host"),
        form.port(),
        Objects.requireNonNullElse(form.user(), ""),
        Secret.of(Objects.requireNonNullElse(form.password(), "")));
  }
}
