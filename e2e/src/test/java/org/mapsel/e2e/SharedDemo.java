package org.mapsel.e2e;

import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;

/** One running product with the demo, for journeys that leave its apps as others expect them. */
final class SharedDemo implements BeforeAllCallback {

  private static final Namespace HERE = Namespace.create(SharedDemo.class);

  /** What runs as long as there are tests. */
  private static final class Running implements AutoCloseable {
    final Product product = Product.withDemo();
    final Browser browser = new Browser();

    @Override
    public void close() {
      browser.close();
      product.close();
    }
  }

  private Running running;

  @Override
  public void beforeAll(ExtensionContext test) {
    running =
        test.getRoot()
            .getStore(HERE)
            .getOrComputeIfAbsent(Running.class, none -> new Running(), Running.class);
  }

  /** Somebody who sits down before it. */
  User user() {
    return new User(running.browser, running.product);
  }
}
