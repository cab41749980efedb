export { fileInTray, takeOut, type TrayFile, trayLimits, trayOf } from './tray'
export { putInTray } from './put-in-tray'
