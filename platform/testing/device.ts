import './copying';
import 'fake-indexeddb/auto';
