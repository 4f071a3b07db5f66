package paringknife.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class AttachmentTest {
  /** The worked example of RFC 5987, 3.2.2. */
  @Test
  void aNameInAnyScriptIsWrittenAsThePublishedExample() {
    assertThat(Attachment.named("£ and € rates").toString())
        .startsWith("attachment;")
        .containsIgnoringCase("filename*=UTF-8''%c2%a3%20and%20%e2%82%ac%20rates");
  }

  @Test
  void aNameEndsNoHeader() {
    assertThat(Attachment.named("a\"; b=\"c\r\nSet-Cookie: d").toString())
        .doesNotContain("\r")
        .doesNotContain("\n")
        .doesNotContain("b=\"c");
  }
}
