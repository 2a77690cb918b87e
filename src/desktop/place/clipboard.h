// Cutting, copying and pasting what is on a screen: between screens, projects and programs. Other
// programs get it as SVG and PNG, and its captions as text.
#pragma once
#include <QMimeData>
#include <memory>

namespace bristle {

class Work;

// Of what is picked; null where nothing is.
std::unique_ptr<QMimeData> copied(Work& work);
// Each false where it could not be done; the person has been told why then.
bool copyPicked(Work& work);
bool cutPicked(Work& work);
// Into the container that is picked, else onto the screen where it lay; never right on top of what
// it was copied from.
bool pasteInto(Work& work, const QMimeData* mime);

}  // namespace bristle
