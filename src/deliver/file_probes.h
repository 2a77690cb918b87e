// What a check asks of the files beside a project.
#pragma once
#include <map>
#include <memory>
#include <string>
#include <utility>

#include "core/findings/probes.h"

namespace bristle {

// Of one folder; what was read of a file is kept while the file stays as it is. Belongs to one
// thread.
class FileProbes {
 public:
  explicit FileProbes(std::string folder) : folder_(std::move(folder)) {}
  // Its functions hold on to this.
  Probes probes();

 private:
  std::optional<FileFacts> facts(const std::string& file);
  std::vector<std::string> files(const std::string& folder) const;

  std::string folder_;
  struct Known {
    std::int64_t written = 0;
    std::uint64_t size = 0;
    std::optional<FileFacts> facts;
  };
  std::map<std::string, Known> known_;
};

// Whether the bits of a font file say “restricted license”: OpenType 1.9, table OS/2, fsType.
// False for what is no font.
bool isClosedFont(std::string_view bytes);

}  // namespace bristle
