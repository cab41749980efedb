import { redirect } from 'next/navigation'
import { signedIn } from './door'

export default async function Home() {
  await signedIn()
  redirect('/books')
}
