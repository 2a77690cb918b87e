// Edits that bring something onto the picked screen, after which that is what is picked.
#pragma once

namespace bristle {

class Work;
struct Edit;

// False when it was refused. One with a merge key may be joined by the next.
bool performAndPickNew(Work& work, const Edit& edit);

}  // namespace bristle
