package paringknife.server.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Base64;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import paringknife.server.episodes.DataFolder;

/** Uploads by the tus resumable upload protocol 1.0.0. */
class UploadControllerTest {
  @TempDir Path folder;

  private UploadController uploads() throws IOException {
    DataFolder data = new DataFolder(folder, folder.resolve("media"));
    return new UploadController(data, new MediaFolder(data));
  }

  /** As the tus protocol encodes it: a key and its value in Base64. */
  private static String named(String name) {
    return "filename " + Base64.getEncoder().encodeToString(name.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void aFileWithoutANameOrWithAnEndlessOneIsRefusedBeforeItIsSent() throws Exception {
    UploadController uploads = uploads();
    for (String name : new String[] {"", "   ", "n".repeat(256) + ".mp4", "\u6f6e".repeat(90)}) {
      MockHttpServletRequest request = new MockHttpServletRequest("POST", "/api/tus");
      request.addHeader("Tus-Resumable", "1.0.0");
      request.addHeader("Upload-Length", "10");
      request.addHeader("Upload-Metadata", named(name));
      MockHttpServletResponse answer = new MockHttpServletResponse();
      uploads.transfer(request, answer);
      assertThat(answer.getStatus()).as(name).isEqualTo(413);
      assertThat(answer.getContentAsString()).contains("name");
    }
  }

  @Test
  void nothingToGiveUpIsNoFault() throws Exception {
    UploadController uploads = uploads();
    assertThatCode(uploads::giveUpOldOnes).doesNotThrowAnyException();
  }

  @Test
  void anUploadThatIsStillGoingOnIsKept() throws Exception {
    UploadController uploads = uploads();
    String address = begun(uploads, 10);
    uploads.giveUpOldOnes();
    MockHttpServletRequest asked = new MockHttpServletRequest("HEAD", address);
    asked.addHeader("Tus-Resumable", "1.0.0");
    MockHttpServletResponse answer = new MockHttpServletResponse();
    uploads.transfer(asked, answer);
    assertThat(answer.getHeader("Upload-Offset")).isEqualTo("0");
    assertThat(answer.getHeader("Upload-Length")).isEqualTo("10");
  }

  @Test
  void aFileForWhichThereIsNoRoomIsRefusedBeforeItIsSent() throws Exception {
    UploadController uploads = uploads();
    MockHttpServletRequest request = new MockHttpServletRequest("POST", "/api/tus");
    request.addHeader("Tus-Resumable", "1.0.0");
    request.addHeader("Upload-Length", Long.toString(Long.MAX_VALUE / 10));
    MockHttpServletResponse answer = new MockHttpServletResponse();
    uploads.transfer(request, answer);
    assertThat(answer.getStatus()).isEqualTo(413);
    assertThat(answer.getContentAsString()).contains("not enough room").contains("MB are free");
  }

  private static String begun(UploadController uploads, long length) throws Exception {
    MockHttpServletRequest request = new MockHttpServletRequest("POST", "/api/tus");
    request.addHeader("Tus-Resumable", "1.0.0");
    request.addHeader("Upload-Length", Long.toString(length));
    request.addHeader("Upload-Metadata", named("a.mp4"));
    MockHttpServletResponse answer = new MockHttpServletResponse();
    uploads.transfer(request, answer);
    assertThat(answer.getStatus()).isEqualTo(201);
    return answer.getHeader("Location");
  }
}
