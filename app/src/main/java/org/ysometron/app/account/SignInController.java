package org.ysometron.app.account;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
class SignInController {

    private final boolean demo;

    SignInController(@Value("${ysometron.demo}") boolean demo) {
        this.demo = demo;
    }

    @GetMapping("/sign-in")
    String page(@RequestParam(required = false) @org.jspecify.annotations.Nullable String refused, Model model) {
        model.addAttribute("demo", demo);
        model.addAttribute("refused", refused != null);
        return "account/sign-in";
    }
}
