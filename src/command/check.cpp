#include <CLI/CLI.hpp>
#include <nlohmann/json.hpp>

#include "command/command.h"
#include "command/finding_json.h"
#include "command/graphics.h"
#include "core/findings/check.h"
#include "core/formats/file_io.h"
#include "core/formats/project_store.h"
#include "deliver/file_probes.h"

namespace bristle {

Subcommand addCheck(CLI::App& app) {
  struct Options {
    std::string file;
    std::string bringUp;
    bool json = false;
  };
  auto o = std::make_shared<Options>();
  CLI::App* sub = app.add_subcommand(
      "check", "Reads a project and tells what in it cannot work; findings tells all the rest");
  sub->add_option("project", o->file, "A .bristle file")->required();
  sub->add_flag("--json", o->json, "Findings as JSON");
  sub->add_option("--bring-up", o->bringUp,
                  "Write it in the format of today, too: to the same file, or another beside it");
  return {
      sub, [o](Streams s) -> int {
        const auto opened = openFile(o->file, s);
        if (!opened) return kUnusable;
        const Project& project = opened->project;
        if (!o->bringUp.empty()) {
          if (opened->readOnly)
            return tell(s, {o->file, "a newer Bristle wrote it; writing it here would lose that"});
          if (const auto saved = saveProject(o->bringUp, project); !saved)
            return tell(s, saved.error());
        }
        const Graphics graphics(o->file);
        FileProbes files(folderOf(o->file));
        auto findings = check(project, files.probes());
        std::erase_if(findings, [](const Finding& f) { return f.severity == Severity::Note; });
        if (o->json) {
          auto list = nlohmann::ordered_json::array();
          for (const Finding& f : findings) list.push_back(inJson(f));
          s.out << nlohmann::ordered_json{{"findings", list}}.dump(2) << "\n";
        } else {
          for (const Finding& f : findings) s.out << f.place << ": " << f.reason << "\n";
          s.out << (findings.empty() ? "no findings\n"
                                     : std::to_string(findings.size()) + " findings\n");
        }
        return findings.empty() ? kFine : kFound;
      }};
}

}  // namespace bristle
