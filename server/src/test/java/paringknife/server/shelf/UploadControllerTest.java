package paringknife.server.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import paringknife.server.episodes.DataFolder;

/** Uploads by the tus resumable upload protocol 1.0.0. */
class UploadControllerTest {
  @TempDir Path folder;

  @Test
  void nothingToGiveUpIsNoFault() throws Exception {
    UploadController uploads =
        new UploadController(new DataFolder(folder, folder.resolve("media")));
    assertThatCode(uploads::giveUpOldOnes).doesNotThrowAnyException();
  }

  @Test
  void anUploadThatIsStillGoingOnIsKept() throws Exception {
    UploadController uploads =
        new UploadController(new DataFolder(folder, folder.resolve("media")));
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
    UploadController uploads =
        new UploadController(new DataFolder(folder, folder.resolve("media")));
    MockHttpServletRequest request = new MockHttpServletRequest("POST", "/api/tus");
    request.addHeader("Tus-Resumable", "1.0.0");
    request.addHeader("Upload-Length", Long.toString(Long.MAX_VALUE / 10));
    MockHttpServletResponse answer = new MockHttpServletResponse();
    uploads.transfer(request, answer);
    assertThat(answer.getStatus()).isEqualTo(413);
    assertThat(answer.getErrorMessage()).contains("not enough room");
  }

  private static String begun(UploadController uploads, long length) throws Exception {
    MockHttpServletRequest request = new MockHttpServletRequest("POST", "/api/tus");
    request.addHeader("Tus-Resumable", "1.0.0");
    request.addHeader("Upload-Length", Long.toString(length));
    MockHttpServletResponse answer = new MockHttpServletResponse();
    uploads.transfer(request, answer);
    assertThat(answer.getStatus()).isEqualTo(201);
    return answer.getHeader("Location");
  }
}
