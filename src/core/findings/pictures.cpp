#include "core/edit/used_files.h"
#include "core/findings/check.h"

namespace bristle {

// Each file once, however often it is used.
void checkPictures(const Project& project, const WhyNoFile& why, Findings& out) {
  for (const std::string& file : filesOf(project).pictures)
    if (std::string reason = why(file); !reason.empty())
      out.push_back(
          {.place = "picture “" + file + "”", .reason = std::move(reason), .detail = file});
}

}  // namespace bristle
