// The runtime as WebAssembly, on its own: plays a take and prints the trace, as
// `bristle rehearse` does, from what was measured when it was written out.
//   run_take PROJECT MEASURED TAKE
// 0: as expected, 1: something else happened, 2: something cannot be read.
#include <cstdio>
#include <string>

#include "runtime/formats/measured_file.h"
#include "runtime/formats/project_file.h"
#include "runtime/formats/take_file.h"
#include "runtime/session/take_player.h"

namespace bristle {
namespace {

constexpr size_t kMostBytes = 256u << 20;

Result<std::string> readAll(const char* path) {
  std::FILE* file = std::fopen(path, "rb");
  if (!file) return fail(path, "cannot be opened");
  std::string out;
  char block[65536];
  for (size_t read = 0; (read = std::fread(block, 1, sizeof block, file)) > 0;) {
    out.append(block, read);
    if (out.size() > kMostBytes) break;
  }
  std::fclose(file);
  if (out.size() > kMostBytes) return fail(path, "is larger than 256 MB");
  return out;
}

int tell(const char* path, const Error& error) {
  std::fprintf(stderr, "%s: %s\n", path, error.text().c_str());
  return 2;
}

int run(const char* projectPath, const char* measuredPath, const char* takePath) {
  const auto projectText = readAll(projectPath), measuredText = readAll(measuredPath),
             takeText = readAll(takePath);
  for (const auto* text : {&projectText, &measuredText, &takeText})
    if (!*text) return tell("run_take", text->error());
  const auto project = parseProject(*projectText);
  if (!project) return tell(projectPath, project.error());
  const auto measured = parseMeasured(*measuredText);
  if (!measured) return tell(measuredPath, measured.error());
  const auto take = parseTake(*takeText);
  if (!take) return tell(takePath, take.error());
  const KnownMeasure measure(measured->texts);
  const KnownAreas areas(measured->areas);
  const auto failures =
      playThrough(project->project, *take, measure, &areas, [](const TraceEntry& entry) {
        std::printf("%lld\t%s\n", static_cast<long long>(entry.at), toLine(entry).c_str());
      });
  if (!failures) return tell(takePath, failures.error());
  for (const TakeFailure& f : *failures)
    std::fprintf(stderr, "%s, line %d: expected “%s”\n", takePath, f.source, f.expected.c_str());
  return failures->empty() ? 0 : 1;
}

}  // namespace
}  // namespace bristle

int main(int argc, char** argv) {
  if (argc != 4) {
    std::fputs("usage: run_take PROJECT MEASURED TAKE\n", stderr);
    return 2;
  }
  return bristle::run(argv[1], argv[2], argv[3]);
}
