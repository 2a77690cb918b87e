#include "paint/painted_eyes.h"

#include "paint/convert.h"
#include "runtime/document/project.h"

namespace bristle {

bool PaintedEyes::cutsCaption(const Project& project, const Screen& screen, const Layout& layout,
                              size_t item) {
  const ButtonData& button = *screen.items[item]->button();
  const Kind* kind = find(project, button.kind);
  const auto table = tables_.get(project, button.kind, &button.own);
  return kind && table &&
         looks_.cutsCaption(*kind, *table, toQt(layout.items[item].own()),
                            wordsIn(project, button.caption, layout.language));
}

}  // namespace bristle
