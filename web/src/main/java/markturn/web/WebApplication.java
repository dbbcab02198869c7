package markturn.web;

import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The application behind the pages. */
@SpringBootApplication
public class WebApplication {}
