// The command line as somebody calls it: words in, what it prints and its exit code out.
#pragma once
#include <gmock/gmock.h>

#include <QTemporaryDir>
#include <sstream>
#include <string>
#include <vector>

#include "command/command.h"
#include "core/formats/file_io.h"
#include "paint/convert.h"
#include "support/menus.h"

namespace bristle::test {

inline const std::string kDemo = sourcePath("data/demo/saltglass-deep.bristle");
inline const std::string kTour = sourcePath("data/demo/tour.take.jsonl");

class CommandLine : public testing::Test {
 protected:
  int run(std::vector<std::string> words) {
    words.insert(words.begin(), "bristle");
    std::vector<char*> argv;
    for (std::string& word : words) argv.push_back(word.data());
    std::ostringstream outStream, errStream;
    wish = {};
    const int code = runCommand(int(argv.size()), argv.data(), {outStream, errStream}, wish);
    out = outStream.str();
    err = errStream.str();
    return code;
  }
  std::string path(const std::string& name) const { return fromQt(folder.filePath(toQt(name))); }
  std::string write(const std::string& name, const std::string& text) {
    EXPECT_TRUE(writeFile(path(name), text));
    return path(name);
  }
  static Project demo() { return parseProject(*readFile(kDemo))->project; }
  QTemporaryDir folder;
  WindowWish wish;
  std::string out, err;
};

}  // namespace bristle::test
