export {
  findMail,
  lastMailed,
  type Mail,
  mailCounts,
  mailPdf,
  mailsOfRecord,
  type MailState,
  newestMails,
  type Outgoing,
  putOut,
  sendAgain,
  takeBack,
} from './outbox'
export { postOfficeOf, sayAddress, type RealOffice, type Safety, setPostOffice } from './post-office'
export { type Received, receivedFile, receivedOf } from './received'
export { keepSending, sendNow, sendWaiting, usualSender } from './sending'
export { refusedDomain } from './stand-in'
