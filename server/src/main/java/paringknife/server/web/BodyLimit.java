package paringknife.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.Semaphore;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * How large the body of a request may be, before any of it is read: a little for most, more where a
 * transcript comes in, as much as the disk takes for uploads, which are never held in memory. Only
 * so many large ones are read at a time.
 */
@Component
@Order(2)
class BodyLimit extends OncePerRequestFilter {
  static final long USUAL_BYTES = 1 << 20;
  static final long TEXT_BYTES = 12 << 20;
  private static final int LARGE_AT_A_TIME = 2;

  private final Semaphore large = new Semaphore(LARGE_AT_A_TIME);

  /** Thrown while reading a body that turns out larger than it may be. */
  static final class BodyTooLarge extends IOException {
    private static final long serialVersionUID = 1;

    BodyTooLarge(long most) {
      super(message(most));
    }
  }

  private static String message(long most) {
    return "Up to " + (most >> 20) + " MB can be sent in one request; this is more.";
  }

  /** Bytes that a request may have. */
  static long mostFor(String path) {
    if (path.startsWith("/api/tus")) {
      return Long.MAX_VALUE;
    }
    boolean holdsMuch =
        path.equals("/api/episodes")
            || path.equals("/api/fonts")
            || path.equals("/api/logos")
            || path.equals("/api/backdrops")
            || path.endsWith("/transcript-text")
            || path.endsWith("/marks/import")
            || path.endsWith("/house/file")
            || path.endsWith("/pieces")
            || path.endsWith("/changes");
    return holdsMuch ? TEXT_BYTES : USUAL_BYTES;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    long most = mostFor(request.getRequestURI());
    long length = request.getContentLengthLong();
    if (length > most) {
      Answers.refuse(response, HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE, message(most));
      return;
    }
    boolean isLarge = most == TEXT_BYTES && (length < 0 || length > USUAL_BYTES);
    if (!isLarge) {
      chain.doFilter(new Limited(request, most), response);
      return;
    }
    if (!large.tryAcquire()) {
      response.setHeader("Retry-After", "2");
      Answers.refuse(
          response,
          HttpServletResponse.SC_SERVICE_UNAVAILABLE,
          "The server is reading other large texts; try again in a moment.");
      return;
    }
    try {
      chain.doFilter(new Limited(request, most), response);
    } finally {
      large.release();
    }
  }

  private static final class Limited extends HttpServletRequestWrapper {
    private final long most;

    Limited(HttpServletRequest request, long most) {
      super(request);
      this.most = most;
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      return new Counted(super.getInputStream(), most);
    }
  }

  private static final class Counted extends ServletInputStream {
    private final ServletInputStream body;
    private final long most;
    private long read;

    Counted(ServletInputStream body, long most) {
      this.body = body;
      this.most = most;
    }

    private int counted(int bytes) throws IOException {
      read += Math.max(0, bytes);
      if (read > most) {
        throw new BodyTooLarge(most);
      }
      return bytes;
    }

    @Override
    public int read() throws IOException {
      int b = body.read();
      counted(b < 0 ? 0 : 1);
      return b;
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
      return counted(body.read(into, from, length));
    }

    @Override
    public boolean isFinished() {
      return body.isFinished();
    }

    @Override
    public boolean isReady() {
      return body.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
      body.setReadListener(listener);
    }
  }
}
