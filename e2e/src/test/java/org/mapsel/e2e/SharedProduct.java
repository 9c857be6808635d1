package org.mapsel.e2e;

import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ExtensionContext.Store;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/**
 * One running product with nothing in it, for journeys that need no start of their own: a {@link
 * User} before an empty start page, and the {@link StandIns}, who behave.
 */
final class SharedProduct implements BeforeEachCallback, AfterEachCallback, ParameterResolver {

  private static final Namespace HERE = Namespace.create(SharedProduct.class);

  private static final String EMPTY =
      """
      async () => {
        for (const kind of ['apps', 'services']) {
          const all = await (await fetch('/api/' + kind)).json();
          for (const one of all) {
            const gone = await fetch('/api/' + kind + '/' + one.id, { method: 'DELETE' });
            if (!gone.ok) throw new Error(kind + ' ' + one.id + ': ' + gone.status);
          }
        }
      }
      """;

  /** What runs as long as there are tests. */
  private static final class Running implements AutoCloseable {
    final StandIns standIns = StandIns.start();
    final Product product = Product.empty();
    final Browser browser = new Browser();

    @Override
    public void close() {
      browser.close();
      product.close();
      standIns.close();
    }
  }

  private static Running running(ExtensionContext test) {
    return test.getRoot()
        .getStore(HERE)
        .getOrComputeIfAbsent(Running.class, none -> new Running(), Running.class);
  }

  private static Store own(ExtensionContext test) {
    return test.getStore(HERE);
  }

  @Override
  public void beforeEach(ExtensionContext test) {
    Running running = running(test);
    running.standIns.turn("NORMAL");
    User user = new User(running.browser, running.product).goTo("/");
    user.page.evaluate(EMPTY);
    own(test).put(User.class, user.goTo("/").sees("No service yet."));
  }

  @Override
  public void afterEach(ExtensionContext test) {
    own(test).get(User.class, User.class).page.context().close();
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext test) {
    Class<?> type = parameter.getParameter().getType();
    return type == User.class || type == StandIns.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext test) {
    return parameter.getParameter().getType() == StandIns.class
        ? running(test).standIns
        : own(test).get(User.class, User.class);
  }
}
