// The threads that derive what is shown.
#pragma once
#include <QThreadPool>

namespace bristle {

// As many as there are cores. They step back behind the interface thread: on two cores a drag would
// else share its time with the pictures and routes that it makes stale.
QThreadPool& workers();
// To be called first by what runs on one of them.
void stepBack();

}  // namespace bristle
