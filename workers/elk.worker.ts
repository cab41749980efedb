// The layout library's own worker script; it answers messages by itself.
import 'elkjs/lib/elk-worker.min.js'
