package lochan.web.account;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import lochan.web.shared.NotThereException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Gives a phone the certificate that it is to trust: no secret, and needed before anybody can sign in without a warning. */
@Controller
class CertificateController {

    private static final MediaType CERTIFICATE = MediaType.parseMediaType("application/x-x509-ca-cert");

    private final String authority;

    /** @param authority file with the certificate; empty: this server has none of its own */
    CertificateController(@Value("${lochan.authority:}") String authority) {
        this.authority = authority;
    }

    @GetMapping("/lochan.crt")
    ResponseEntity<byte[]> certificate() throws IOException {
        if (authority.isEmpty()) {
            throw new NotThereException();
        }
        return ResponseEntity.ok()
                .contentType(CERTIFICATE)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"lochan.crt\"")
                .body(Files.readAllBytes(Path.of(authority)));
    }
}
